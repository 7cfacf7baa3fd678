import { useQuery } from '@tanstack/react-query';
import { LoadTrouble } from '../../shared/Loaded';
import { serverNow } from '../../shared/serverClock';
import { tabletQueries } from './queries';
import css from './tablets.module.css';

// A tablet that is on asks once a minute.
const often = 60_000;
const silentAfter = 3 * 60_000;
const minute = 60_000;

/** Which of a room's tablets have not been heard of: switched off, out of reach, or without power. */
export default function SilentTablets({ boothIds }: { boothIds: readonly string[] }) {
  const tablets = useQuery({ ...tabletQueries.list(), refetchInterval: often });
  if (!tablets.data) return <LoadTrouble of={tablets} what="the booths’ tablets" />;
  const now = serverNow();
  const silent = tablets.data.filter(
    ({ boothId, seenAt }) => boothIds.includes(boothId) && now - Date.parse(seenAt) > silentAfter,
  );
  if (silent.length === 0) return null;
  return (
    <p className={css.silent} role="status">
      Not heard of:{' '}
      {silent
        .map(({ name, seenAt }) => `${name}, ${Math.round((now - Date.parse(seenAt)) / minute)} min`)
        .join('; ')}
    </p>
  );
}
