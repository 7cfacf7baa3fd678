import { useQuery } from '@tanstack/react-query';
import { asLoading, Loaded } from '../shared/Loaded';
import { useMe } from '../shared/useMe';
import { insideCode, signInCode } from './code';

/** The way in, or whoever's pages are behind it. */
export function App({ signedInBefore }: { signedInBefore: boolean }) {
  const me = useMe();
  // Nobody was here before: the way in is shown while that is being asked.
  const person = me.isPending && !signedInBefore ? null : me.data;
  const wayIn = useQuery({ ...signInCode, enabled: person === null });
  const inside = useQuery({ ...insideCode, enabled: Boolean(person) });
  return (
    <Loaded of={{ data: person, error: me.error, again: () => void me.refetch() }} what="who is signed in">
      {(person) =>
        person === null ? (
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
