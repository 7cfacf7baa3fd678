import { useQuery } from '@tanstack/react-query';
import { tabletQueries } from '../features/tablets/queries';
import { wasTablet } from '../features/tablets/tablet';
import { asLoading, Loaded } from '../shared/Loaded';
import { useMe } from '../shared/useMe';
import { boothCode, insideCode, pairCode, signInCode } from './code';

// A tablet that belongs to a booth waits to be told which; everybody else need not.
const wasBooths = wasTablet();

/** The way in, or whoever's pages are behind it: a person's, or a booth's. */
export function App({ signedInBefore }: { signedInBefore: boolean }) {
  const me = useMe();
  // Nobody was here before: the way in is shown while that is being asked.
  const person = me.isPending && !signedInBefore ? null : me.data;
  // One that became a booth's since goes on asking, whoever stands there.
  const booth = useQuery({ ...tabletQueries.booth(), enabled: wasBooths || wasTablet() || person === null });
  // Put away, it is a screen like any other.
  const isBooths = wasBooths && booth.data !== null;
  const pairing = window.location.pathname === '/pair';
  const atBooth = useQuery({ ...boothCode, enabled: Boolean(booth.data) });
  const pair = useQuery({ ...pairCode, enabled: pairing });
  const wayIn = useQuery({ ...signInCode, enabled: person === null && !isBooths });
  const inside = useQuery({ ...insideCode, enabled: Boolean(person) && !isBooths });
  if (booth.data) {
    const { data } = booth;
    return (
      <Loaded of={asLoading(atBooth)} what="the booth">
        {({ AtBooth }) => <AtBooth booth={data} asOf={booth.dataUpdatedAt} />}
      </Loaded>
    );
  }
  if (wasBooths && !booth.isSuccess)
    return (
      <Loaded of={asLoading(booth)} what="which booth this is">
        {() => null}
      </Loaded>
    );
  return (
    <Loaded of={{ data: person, error: me.error, again: () => void me.refetch() }} what="who is signed in">
      {(person) =>
        pairing ? (
          <Loaded of={asLoading(pair)} what="the page">
            {({ PairPage }) => <PairPage />}
          </Loaded>
        ) : person === null ? (
          <Loaded of={asLoading(wayIn)} what="the sign-in">
            {({ SignInPage }) => <SignInPage />}
          </Loaded>
        ) : (
          <Loaded of={asLoading(inside)} what="the page">
            {({ Inside }) => <Inside me={person} />}
          </Loaded>
        )
      }
    </Loaded>
  );
}
