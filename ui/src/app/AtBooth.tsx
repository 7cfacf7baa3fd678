import { Button, useComputedColorScheme, useMantineColorScheme } from '@mantine/core';
import { useNetwork } from '@mantine/hooks';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useMemo } from 'react';
import { BrowserRouter, Route, Routes } from 'react-router';
import { BoothSignals } from '../features/signals/BoothSignals';
import { SignalKeys } from '../features/signals/SignalKeys';
import css from '../features/tablets/tablets.module.css';
import { tabletQueries } from '../features/tablets/queries';
import { leftUnheard } from '../features/tablets/tablet';
import { useAwake } from '../features/tablets/useAwake';
import { useSettled } from '../features/tablets/useSettled';
import { useTouched } from '../features/tablets/useTouched';
import { WhoStands } from '../features/tablets/WhoStands';
import { BoothBeadPage, BoothSweepPage, BoothTabletFrame } from '../pages/BoothTabletPages';
import { MyBeadsPage } from '../pages/MyBeadsPage';
import { MySheetPage } from '../pages/MySheetPage';
import { MyChecksPage } from '../pages/MyRestPages';
import { NowPage } from '../pages/MyWorkPages';
import { answer, api, Refused, type Schemas } from '../shared/api/client';
import { useLive } from '../shared/live/useLive';
import { OldIsTold, Waiting } from '../shared/Loaded';
import { tellTrouble } from '../shared/notices';
import { BoothNumber } from '../shared/page/BoothNumber';
import { AtTablet } from '../shared/outbox/noter';
import { useOffline } from '../shared/outbox/useOffline';
import { WaitingToSend } from '../shared/outbox/WaitingToSend';
import { useTitle } from '../shared/page/useTitle';
import { moment } from '../shared/time';
import { Guard } from './Guard';

const StopScreen = lazy(() => import('../features/floor/StopScreen'));

/** A booth's tablet: who stands here, and what they have to do. There is nowhere else to go to. */
export function AtBooth({ booth, asOf }: { booth: Schemas['BoothNow']; asOf: number }) {
  // A line that is cut is not told of at once; a browser without a network knows.
  const { online } = useNetwork();
  const live = useLive() && online;
  useAwake();
  useTouched();
  useTitle(`Booth ${booth.booth}`);
  const { student, standingId } = booth;
  const settled = useSettled(student?.id ?? null);
  const noter = useMemo(
    () => (student ? { who: student.id, standing: standingId } : null),
    [student, standingId],
  );
  useOffline({ up: live, me: student?.id ?? null, tablet: true, idle: student === null });
  return (
    <BrowserRouter>
      {!live && (
        <p className="offline" role="status">
          The line to the server is down. What you see is as of {moment(new Date(asOf).toISOString())}; what
          you note is kept here and sent by itself.
        </p>
      )}
      {!window.isSecureContext && (
        <p className="offline" role="status">
          This address has no lock: the browser gives it no microphone, and nothing can be noted without the
          network. Open it by its https address; Settings, Shop network says which.
        </p>
      )}
      <main className={css.gate}>
        <header className={css.head}>
          <BoothNumber number={booth.booth} />
          <div>
            <h1>{student?.name ?? `Booth ${booth.booth}`}</h1>
            <p className="quiet">{[booth.room, booth.session?.title].filter(Boolean).join(', ')}</p>
          </div>
          <BoothKeys standingId={standingId} />
        </header>
        <WaitingToSend />
        <OldIsTold value={!live}>
          {!settled ? null : student ? (
            <AtTablet value={noter}>
              <Guard path={student.id}>
                <Suspense fallback={<Waiting what="the page" again={() => window.location.reload()} />}>
                  <Routes>
                    <Route element={<BoothTabletFrame />}>
                      <Route index element={<NowPage />} />
                      <Route path="bead" element={<BoothBeadPage />} />
                      <Route path="sweep" element={<BoothSweepPage />} />
                      <Route path="sheet" element={<MySheetPage toRead />} />
                      <Route path="beads" element={<MyBeadsPage />} />
                      <Route path="checks" element={<MyChecksPage />} />
                      <Route path="*" element={<NowPage />} />
                    </Route>
                  </Routes>
                </Suspense>
              </Guard>
            </AtTablet>
          ) : (
            <WhoStands booth={booth} />
          )}
        </OldIsTold>
      </main>
      <BoothSignals until={booth.goodUntil} standing={student !== null} />
      <Suspense>
        <StopScreen mayEnd={false} />
      </Suspense>
    </BrowserRouter>
  );
}

function BoothKeys({ standingId }: { standingId: string | null }) {
  const queries = useQueryClient();
  const { setColorScheme } = useMantineColorScheme();
  const shown = useComputedColorScheme('light');
  const leave = useMutation({
    networkMode: 'always',
    mutationFn: () =>
      answer(api.POST('/api/booth/leave')).catch((failed: unknown) => {
        // Without a network they leave all the same: the server hears of it when it can.
        if (!(failed instanceof Refused) || failed.status !== 0) throw failed;
        leftUnheard(standingId);
      }),
    onSuccess: async () => {
      window.history.replaceState(null, '', '/');
      queries.setQueryData(
        tabletQueries.booth().queryKey,
        (now) => now && { ...now, student: null, standingId: null, goodUntil: null },
      );
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
      <SignalKeys />
      {document.fullscreenEnabled && (
        <Button variant="default" onClick={() => void document.documentElement.requestFullscreen()}>
          Full screen
        </Button>
      )}
      {standingId && (
        <Button loading={leave.isPending} onClick={() => leave.mutate()}>
          Leave
        </Button>
      )}
    </div>
  );
}
