import { BrowserRouter, Route, Routes } from 'react-router';
import { SignInPage } from '../pages/SignInPage';
import { Loaded } from '../shared/Loaded';
import { useMe } from '../shared/useMe';
import { instructorRoutes, studentRoutes } from './routes';
import { Shell } from './Shell';
import { NotHere } from './NotHere';

export function App() {
  const me = useMe();
  return (
    <BrowserRouter>
      <Loaded of={{ data: me.data, error: me.error, again: () => void me.refetch() }} what="who is signed in">
        {(person) =>
          person === null ? (
            <SignInPage />
          ) : (
            <Routes>
              <Route element={<Shell me={person} />}>
                {person.role === 'instructor' ? instructorRoutes : studentRoutes}
                <Route path="*" element={<NotHere />} />
              </Route>
            </Routes>
          )
        }
      </Loaded>
    </BrowserRouter>
  );
}
