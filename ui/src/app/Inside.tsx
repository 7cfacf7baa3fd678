import { BrowserRouter, Route, Routes } from 'react-router';
import type { Schemas } from '../shared/api/client';
import { NotHere } from './NotHere';
import { instructorRoutes, studentRoutes } from './routes';
import Shell from './Shell';

/** Everything behind the sign-in. */
export function Inside({ me }: { me: Schemas['Person'] }) {
  return (
    <BrowserRouter>
      <Routes>
        <Route element={<Shell me={me} />}>
          {me.role === 'instructor' ? instructorRoutes : studentRoutes}
          <Route path="*" element={<NotHere />} />
        </Route>
      </Routes>
    </BrowserRouter>
  );
}
