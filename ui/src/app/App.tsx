import { Button, Loader } from '@mantine/core';
import { BrowserRouter, Link, Route, Routes } from 'react-router';
import { ArcBenchPage } from '../features/arc/ArcBenchPage';
import { BenchPage } from '../features/beads/BenchPage';
import { BeadPage } from '../features/beads/BeadPage';
import { MacroPage } from '../features/beads/MacroPage';
import { ChecksPage } from '../features/checks/ChecksPage';
import { KeptPage } from '../features/kept/KeptPage';
import { MachinePage } from '../features/machines/MachinePage';
import { ShopPage } from '../features/machines/ShopPage';
import { SignInPage } from '../features/people/SignInPage';
import { useMe } from '../features/people/useMe';
import { DrillsPage } from '../features/practice/DrillsPage';
import { ScoresPage } from '../features/practice/ScoresPage';
import { BoothFrame } from '../features/sessions/BoothFrame';
import { RoomPage } from '../features/sessions/RoomPage';
import { SessionsPage } from '../features/sessions/SessionsPage';
import { CardPage } from '../features/sheets/CardPage';
import { MyWorkPage } from '../features/sheets/MyWorkPage';
import { RackPage } from '../features/sheets/RackPage';
import { SheetPage } from '../features/sheets/SheetPage';
import { BoothTestPage } from '../features/testWelds/BoothTestPage';
import { TestWeldPage } from '../features/testWelds/TestWeldPage';
import { SweepPage } from '../features/trials/SweepPage';
import { TrialPage } from '../features/trials/TrialPage';
import { TrialsPage } from '../features/trials/TrialsPage';
import { Trouble } from '../shared/Trouble';
import { Shell } from './Shell';

export function App() {
  const me = useMe();
  if (me.isError) return <Trouble error={me.error} again={() => me.refetch()} />;
  if (me.data === undefined) return <Loader m="xl" aria-label="Loading" />;
  if (me.data === null) return <SignInPage />;
  return (
    <BrowserRouter>
      <Routes>
        <Route element={<Shell me={me.data} />}>
          {me.data.role === 'instructor' ? (
            <>
              <Route index element={<RoomPage />} />
              <Route path="sessions" element={<SessionsPage />} />
              <Route path="booths/:boothId" element={<BoothFrame />}>
                <Route index element={<SheetPage />} />
                <Route path="checks" element={<ChecksPage />} />
                <Route path="bench" element={<BenchPage />} />
                <Route path="trials" element={<TrialsPage />} />
                <Route path="trials/:trialId" element={<TrialPage />} />
                <Route path="sweep" element={<SweepPage />} />
                <Route path="test" element={<BoothTestPage />} />
                <Route path="card" element={<CardPage />} />
              </Route>
              <Route path="beads/:beadId" element={<BeadPage />} />
              <Route path="beads/:beadId/macro/:pictureId" element={<MacroPage />} />
              <Route path="test-welds/:testId" element={<TestWeldPage />} />
              <Route path="students/:studentId" element={<RackPage />} />
              <Route path="shop" element={<ShopPage />} />
              <Route path="machines/:machineId" element={<MachinePage />} />
              <Route path="kept" element={<KeptPage />} />
              <Route path="practice" element={<DrillsPage />} />
              <Route path="practice/arc" element={<ArcBenchPage />} />
              <Route path="practice/scores" element={<ScoresPage />} />
            </>
          ) : (
            <>
              <Route index element={<MyWorkPage />} />
              <Route path="beads/:beadId" element={<BeadPage />} />
              <Route path="test-welds/:testId" element={<TestWeldPage />} />
              <Route path="kept" element={<KeptPage />} />
              <Route path="practice" element={<DrillsPage />} />
              <Route path="practice/arc" element={<ArcBenchPage />} />
              <Route path="practice/scores" element={<ScoresPage />} />
            </>
          )}
          <Route path="*" element={<NotHere />} />
        </Route>
      </Routes>
    </BrowserRouter>
  );
}

const NotHere = () => (
  <div className="panel empty">
    <p>There is no such page.</p>
    <Button component={Link} to="/">
      Back to the start
    </Button>
  </div>
);
