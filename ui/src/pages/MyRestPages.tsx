import { TermStrip } from '../features/progress/TermStrip';
import { TestWeldList } from '../features/testWelds/TestWeldList';
import { useMe } from '../shared/useMe';
import { Checks } from './ChecksPage';
import { useMine } from './MyWorkPages';
import { RackOf } from './RackPage';

/** The check lists of the booth one stands at. */
export function MyChecksPage() {
  const { boothId, sessionId } = useMine();
  return boothId && sessionId ? (
    <Checks sessionId={sessionId} boothId={boothId} />
  ) : (
    <p className="panel empty">You stand at no booth yet: the check lists are a booth’s.</p>
  );
}

/** One’s own test welds. */
export function MyTestsPage() {
  const me = useMe().data;
  return (
    <section className="panel stack" aria-label="Your test welds">
      <h2>Your test welds</h2>
      {me && <TestWeldList studentId={me.id} />}
    </section>
  );
}

/** One’s own rack. */
export function MyRackPage() {
  const me = useMe().data;
  return (
    <>
      <h2>Your rack</h2>
      {me && <TermStrip studentId={me.id} />}
      {me && <RackOf studentId={me.id} />}
    </>
  );
}
