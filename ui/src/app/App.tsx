import { lazy, Suspense } from 'react';
import { BrowserRouter } from 'react-router';
import { SignInPage } from '../pages/SignInPage';
import { Loaded, Waiting } from '../shared/Loaded';
import { useMe, wasSignedIn } from '../shared/useMe';

const inside = () => import('./Inside');
const Inside = lazy(inside);
// Whoever was signed in last time most likely still is: their pages are fetched beside the question who they are.
if (wasSignedIn()) void inside();

export function App() {
  const me = useMe();
  return (
    <BrowserRouter>
      <Loaded of={{ data: me.data, error: me.error, again: () => void me.refetch() }} what="who is signed in">
        {(person) =>
          person === null ? (
            <SignInPage />
          ) : (
            <Suspense fallback={<Waiting what="the page" again={() => window.location.reload()} />}>
              <Inside me={person} />
            </Suspense>
          )
        }
      </Loaded>
    </BrowserRouter>
  );
}
