import { Button, useComputedColorScheme, useMantineColorScheme } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { BrowserRouter, Route, Routes } from 'react-router';
import css from '../features/tablets/tablets.module.css';
import { useAwake } from '../features/tablets/useAwake';
import { useTouched } from '../features/tablets/useTouched';
import { WhoStands } from '../features/tablets/WhoStands';
import { BoothBeadPage, BoothTabletFrame } from '../pages/BoothTabletPages';
import { MyBeadsPage } from '../pages/MyBeadsPage';
import { MySheetPage } from '../pages/MySheetPage';
import { MyChecksPage } from '../pages/MyRestPages';
import { NowPage } from '../pages/MyWorkPages';
import { answer, api, type Schemas } from '../shared/api/client';
import { useLive } from '../shared/live/useLive';
import { Waiting } from '../shared/Loaded';
import { tellTrouble } from '../shared/notices';
import { BoothNumber } from '../shared/page/BoothNumber';
import { useTitle } from '../shared/page/useTitle';
import { Guard } from './Guard';

const StopScreen = lazy(() => import('../features/floor/StopScreen'));

/** A booth's tablet: who stands here, and what they have to do. There is nowhere else to go to. */
export function AtBooth({ booth }: { booth: Schemas['BoothNow'] }) {
  const live = useLive();
  useAwake();
  useTouched();
  useTitle(`Booth ${booth.booth}`);
  const { student } = booth;
  return (
    <BrowserRouter>
      {!live && (
        <p className="offline" role="status">
          The line to the server is down. What you see may be old; it catches up by itself.
        </p>
      )}
      <main className={css.gate}>
        <header className={css.head}>
          <BoothNumber number={booth.booth} />
          <div>
            <h1>{student?.name ?? `Booth ${booth.booth}`}</h1>
            <p className="quiet">{[booth.room, booth.session?.title].filter(Boolean).join(', ')}</p>
          </div>
          <BoothKeys standing={student !== null} />
        </header>
        {student ? (
          <Guard path={student.id}>
            <Suspense fallback={<Waiting what="the page" again={() => window.location.reload()} />}>
              <Routes>
                <Route element={<BoothTabletFrame />}>
                  <Route index element={<NowPage />} />
                  <Route path="bead" element={<BoothBeadPage />} />
                  <Route path="sheet" element={<MySheetPage toRead />} />
                  <Route path="beads" element={<MyBeadsPage />} />
                  <Route path="checks" element={<MyChecksPage />} />
                  <Route path="*" element={<NowPage />} />
                </Route>
              </Routes>
            </Suspense>
          </Guard>
        ) : (
          <WhoStands booth={booth} />
        )}
      </main>
      <Suspense>
        <StopScreen mayEnd={false} />
      </Suspense>
    </BrowserRouter>
  );
}

function BoothKeys({ standing }: { standing: boolean }) {
  const queries = useQueryClient();
  const { setColorScheme } = useMantineColorScheme();
  const shown = useComputedColorScheme('light');
  const leave = useMutation({
    mutationFn: () => answer(api.POST('/api/booth/leave')),
    onSuccess: async () => {
      // Nothing of theirs stays behind for whoever stands here next.
      window.sessionStorage.clear();
      window.history.replaceState(null, '', '/');
      queries.removeQueries({
        predicate: ({ queryKey }) => queryKey[0] !== 'booth' && queryKey[0] !== 'code',
      });
      await queries.invalidateQueries({ queryKey: ['booth'] });
    },
    onError: tellTrouble,
  });
  return (
    <div className={css.keys}>
      <Button
        variant="default"

        onClick={() => setColorScheme(shown === 'light' ? 'dark' : 'light')}
      >
        {shown === 'light' ? 'Dark' : 'Light'}
      </Button>
      {document.fullscreenEnabled && (
        <Button variant="default" onClick={() => void document.documentElement.requestFullscreen()}>
          Full screen
        </Button>
      )}
      {standing && (
        <Button loading={leave.isPending} onClick={() => leave.mutate()}>
          Leave
        </Button>
      )}
    </div>
  );
}
