import { Route } from 'react-router';
import { BoothFrame } from '../features/sessions/BoothFrame';
import { RoomPage } from '../pages/RoomPage';
import { wasSignedIn } from '../shared/useMe';
import { page } from './page';

const ArcBenchPage = page('ArcBenchPage', () => import('../pages/ArcBenchPage'));
const BeadPage = page('BeadPage', () => import('../pages/BeadPage'));
const BesidePage = page('BesidePage', () => import('../pages/BesidePage'));
const BenchPage = page('BenchPage', () => import('../pages/BenchPage'), /^\/booths\/[^/]+\/bench/);
const BoothTestPage = page('BoothTestPage', () => import('../pages/BoothTestPage'));
const CardPage = page('CardPage', () => import('../pages/CardPage'));
const ChecksPage = page('ChecksPage', () => import('../pages/ChecksPage'));
const DrillsPage = page('DrillsPage', () => import('../pages/DrillsPage'));
const KeptPage = page('KeptPage', () => import('../pages/KeptPage'));
const MachinePage = page('MachinePage', () => import('../pages/MachinePage'));
const MachinesPage = page('MachinesPage', () => import('../pages/MachinesPage'));
const AddMachinePage = page('AddMachinePage', () => import('../pages/AddMachinePage'));
const CostsPage = page('CostsPage', () => import('../pages/CostsPage'));
const CameraPage = page('CameraPage', () => import('../pages/CameraPage'));
const BackPage = page('BackPage', () => import('../pages/BackPage'));
const FacePage = page('FacePage', () => import('../pages/FacePage'));
const PicturesBesidePage = page('PicturesBesidePage', () => import('../pages/PicturesBesidePage'));
const MacroPage = page('MacroPage', () => import('../pages/MacroPage'));
const RackPage = page('RackPage', () => import('../pages/RackPage'));
const ScoresPage = page('ScoresPage', () => import('../pages/ScoresPage'));
const CalendarPage = page('CalendarPage', () => import('../pages/CalendarPage'));
const CoursesPage = page('CoursesPage', () => import('../pages/CoursesPage'));
const SessionPage = page('SessionPage', () => import('../pages/SessionPage'));
const PlanPage = page('PlanPage', () => import('../pages/PlanPages'));
const PlanListsPage = page('PlanListsPage', () => import('../pages/PlanListsPage'));
const CloseDownPage = page('CloseDownPage', () => import('../pages/CloseDownPage'));
const UnplacedPage = page('UnplacedPage', () => import('../pages/UnplacedPage'));
const StockPage = page('StockPage', () => import('../pages/StockPage'));
const StudentListPage = page('StudentListPage', () => import('../pages/StudentListPage'));
const SessionsPage = page('SessionsPage', () => import('../pages/SessionsPage'));
const SheetPage = page('SheetPage', () => import('../pages/SheetPage'), /^\/booths\/[^/]+\/?$/);
const StudentsPage = page('StudentsPage', () => import('../pages/StudentsPage'));
const AgreementPage = page('AgreementPage', () => import('../pages/AgreementPage'));
const AddPersonPage = page('AddPersonPage', () => import('../pages/AddPersonPage'));
const RoomsPage = page('RoomsPage', () => import('../pages/RoomsPage'));
const SweepPage = page('SweepPage', () => import('../pages/SweepPage'));
const TestWeldPage = page('TestWeldPage', () => import('../pages/TestWeldPage'));
const TrialPage = page('TrialPage', () => import('../pages/TrialPage'));
const TrialsPage = page('TrialsPage', () => import('../pages/TrialsPage'));

const progress = () => import('../pages/ProgressPages');
const ProgressPage = page('ProgressPage', progress);
const MyProgressPage = page('MyProgressPage', progress);
const CourseProgressPage = page('CourseProgressPage', () => import('../pages/CourseProgressPage'));
const keeping = () => import('../pages/KeepingPages');
const KeepingPage = page('KeepingPage', keeping);
const RecordPage = page('RecordPage', keeping);
const MyRecordPage = page('MyRecordPage', keeping);
const ForgetPage = page('ForgetPage', keeping);
const course = () => import('../pages/CoursePages');
const NewCoursePage = page('NewCoursePage', course);
const CourseFrame = page('CourseFrame', course);
const CourseSessionsPage = page('CourseSessionsPage', course);
const CourseRosterPage = page('CourseRosterPage', course);
const CourseDetailsPage = page('CourseDetailsPage', course);
const CoursePathPage = page('CoursePathPage', course);
const exercise = () => import('../pages/ExercisePages');
const ExercisesPage = page('ExercisesPage', exercise);
const ExercisePage = page('ExercisePage', exercise);
const NewExercisePage = page('NewExercisePage', exercise);
const atBooth = () => import('../pages/BoothTabletPages');
const BoothBeadPage = page('BoothBeadPage', atBooth);
const BoothSweepPage = page('BoothSweepPage', atBooth);
const MyCoursePage = page('MyCoursePage', () => import('../pages/MyCoursePage'));

const settings = () => import('../pages/SettingsPages');
const SettingsFrame = page('SettingsFrame', settings);
const WayOfSettingPage = page('WayOfSettingPage', settings);
const ScreenPage = page('ScreenPage', settings);
const TolerancesPage = page('TolerancesPage', settings);
const LearnedPage = page('LearnedPage', settings);
const DevicesPage = page('DevicesPage', settings);
const PeoplePage = page('PeoplePage', settings);
const PersonPage = page('PersonPage', settings);
const AccountPage = page('AccountPage', settings);
const NetworkPage = page('NetworkPage', settings);
const TabletsPage = page('TabletsPage', settings);
const TrailPage = page('TrailPage', settings);
const RunningPage = page('RunningPage', settings);

const start = wasSignedIn() === 'student' ? /^\/$/ : undefined;
const mine = () => import('../pages/MyWorkPages');
const MyWorkFrame = page('MyWorkFrame', mine, start);
const NowPage = page('NowPage', mine, start);
const MySheetPage = page('MySheetPage', () => import('../pages/MySheetPage'));
const MyBeadsPage = page('MyBeadsPage', () => import('../pages/MyBeadsPage'));
const rest = () => import('../pages/MyRestPages');
const MyChecksPage = page('MyChecksPage', rest);
const MyTestsPage = page('MyTestsPage', rest);
const MyRackPage = page('MyRackPage', rest);

const common = (
  <>
    <Route path="beads/:beadId" element={<BeadPage />} />
    <Route path="beads/:beadId/beside/:otherId" element={<BesidePage />} />
    <Route path="test-welds/:testId" element={<TestWeldPage />} />
    <Route path="kept" element={<KeptPage />} />
    <Route path="practice" element={<DrillsPage />} />
    <Route path="practice/arc" element={<ArcBenchPage />} />
    <Route path="practice/scores" element={<ScoresPage />} />
  </>
);

/** Every page of an instructor, by its address. */
export const instructorRoutes = (
  <>
    <Route index element={<RoomPage />} />
    <Route path="sessions" element={<SessionsPage />} />
    <Route path="sessions/:sessionId" element={<SessionPage />} />
    <Route path="sessions/:sessionId/close" element={<CloseDownPage />} />
    <Route path="sessions/:sessionId/plan" element={<PlanPage />} />
    <Route path="sessions/:sessionId/plan/lists" element={<PlanListsPage />} />
    <Route path="courses" element={<CoursesPage />} />
    <Route path="courses/calendar" element={<CalendarPage />} />
    <Route path="students/unplaced" element={<UnplacedPage />} />
    <Route path="courses/stock" element={<StockPage />} />
    <Route path="courses/new" element={<NewCoursePage />} />
    <Route path="courses/exercises" element={<ExercisesPage />} />
    <Route path="courses/exercises/new" element={<NewExercisePage />} />
    <Route path="courses/exercises/:exerciseId" element={<ExercisePage />} />
    <Route path="courses/:courseId" element={<CourseFrame />}>
      <Route index element={<CourseSessionsPage />} />
      <Route path="roster" element={<CourseRosterPage />} />
      <Route path="path" element={<CoursePathPage />} />
      <Route path="progress" element={<CourseProgressPage />} />
      <Route path="details" element={<CourseDetailsPage />} />
    </Route>
    <Route path="booths/:boothId" element={<BoothFrame />}>
      <Route index element={<SheetPage />} />
      <Route path="checks" element={<ChecksPage />} />
      <Route path="bench" element={<BenchPage />} />
      <Route path="trials" element={<TrialsPage />} />
      <Route path="trials/sweep" element={<SweepPage />} />
      <Route path="trials/:trialId" element={<TrialPage />} />
      <Route path="test" element={<BoothTestPage />} />
      <Route path="card" element={<CardPage />} />
    </Route>
    <Route path="beads/:beadId/camera" element={<CameraPage />} />
    <Route path="beads/:beadId/back/:pictureId" element={<BackPage />} />
    <Route path="beads/:beadId/face/:pictureId" element={<FacePage />} />
    <Route path="beads/:beadId/face/:pictureId/beside/:otherId" element={<PicturesBesidePage />} />
    <Route path="beads/:beadId/macro/:pictureId" element={<MacroPage />} />
    <Route path="students" element={<StudentsPage />} />
    <Route path="students/agreement" element={<AgreementPage />} />
    <Route path="students/add" element={<AddPersonPage />} />
    <Route path="students/list" element={<StudentListPage />} />
    <Route path="students/:studentId" element={<RackPage />} />
    <Route path="students/:studentId/progress" element={<ProgressPage />} />
    <Route path="students/:studentId/record" element={<RecordPage />} />
    <Route path="students/:studentId/forget" element={<ForgetPage />} />
    <Route path="machines" element={<MachinesPage />} />
    <Route path="machines/add" element={<AddMachinePage />} />
    <Route path="machines/costs" element={<CostsPage />} />
    <Route path="machines/:machineId" element={<MachinePage />} />
    <Route path="settings" element={<SettingsFrame />}>
      <Route index element={<WayOfSettingPage />} />
      <Route path="screen" element={<ScreenPage />} />
      <Route path="tolerances" element={<TolerancesPage />} />
      <Route path="learned" element={<LearnedPage />} />
      <Route path="devices" element={<DevicesPage />} />
      <Route path="people" element={<PeoplePage />} />
      <Route path="people/:personId" element={<PersonPage />} />
      <Route path="keeping" element={<KeepingPage />} />
      <Route path="network" element={<NetworkPage />} />
      <Route path="tablets" element={<TabletsPage />} />
      <Route path="trail" element={<TrailPage />} />
      <Route path="running" element={<RunningPage />} />
      <Route path="account" element={<AccountPage />} />
      <Route path="rooms" element={<RoomsPage />} />
    </Route>
    {common}
  </>
);

/** Every page of a student. */
export const studentRoutes = (
  <>
    <Route element={<MyWorkFrame />}>
      <Route index element={<NowPage />} />
      <Route path="bead" element={<BoothBeadPage />} />
      <Route path="sweep" element={<BoothSweepPage />} />
      <Route path="course" element={<MyCoursePage />} />
      <Route path="sheet" element={<MySheetPage />} />
      <Route path="beads" element={<MyBeadsPage />} />
      <Route path="checks" element={<MyChecksPage />} />
      <Route path="tests" element={<MyTestsPage />} />
      <Route path="rack" element={<MyRackPage />} />
      <Route path="progress" element={<MyProgressPage />} />
    </Route>
    <Route path="settings" element={<SettingsFrame />}>
      <Route index element={<ScreenPage />} />
      <Route path="screen" element={<ScreenPage />} />
      <Route path="account" element={<AccountPage />} />
      <Route path="record" element={<MyRecordPage />} />
    </Route>
    {common}
  </>
);
