import { Button, Loader } from '@mantine/core';
import { BrowserRouter, Link, Route, Routes } from 'react-router';
import { ArcBenchPage } from '../pages/ArcBenchPage';
import { BenchPage } from '../pages/BenchPage';
import { BeadPage } from '../pages/BeadPage';
import { MacroPage } from '../pages/MacroPage';
import { ChecksPage } from '../pages/ChecksPage';
import { KeptPage } from '../pages/KeptPage';
import { MachinePage } from '../pages/MachinePage';
import { ShopPage } from '../pages/ShopPage';
import { SignInPage } from '../pages/SignInPage';
import { useMe } from '../shared/useMe';
import { DrillsPage } from '../pages/DrillsPage';
import { ScoresPage } from '../pages/ScoresPage';
import { BoothFrame } from '../features/sessions/BoothFrame';
import { RoomPage } from '../pages/RoomPage';
import { SessionsPage } from '../pages/SessionsPage';
import { CardPage } from '../pages/CardPage';
import { MyWorkPage } from '../pages/MyWorkPage';
import { RackPage } from '../pages/RackPage';
import { SheetPage } from '../pages/SheetPage';
import { BoothTestPage } from '../pages/BoothTestPage';
import { TestWeldPage } from '../pages/TestWeldPage';
import { SweepPage } from '../pages/SweepPage';
import { TrialPage } from '../pages/TrialPage';
import { TrialsPage } from '../pages/TrialsPage';
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
