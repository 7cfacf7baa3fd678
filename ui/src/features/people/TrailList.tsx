import { Loaded } from '../../shared/Loaded';
import { ShowMore } from '../../shared/ShowMore';
import { moment } from '../../shared/time';
import { usePages } from '../../shared/usePages';
import css from './account.module.css';
import { peopleQueries } from './queries';
import { trailWords } from './trailWords';

/** Who signed in, made, changed and signed what; newest first. */
export function TrailList() {
  const trail = usePages(peopleQueries.trail());
  return (
    <section className="panel stack" aria-label="Trail">
      <h2>Who did what</h2>
      <Loaded of={trail} what="the trail">
        {(entries) => (
          <>
            <ol className="plain-list">
              {entries.map((entry) => (
                <li key={entry.seq} className={css.trail}>
                  <span className="quiet">{moment(entry.at)}</span>
                  <span>
                    <b>{entry.by ?? 'Nobody in particular'}</b> {trailWords[entry.what] ?? entry.what}
                    {entry.about && entry.about !== entry.by && `: ${entry.about}`}
                  </span>
                </li>
              ))}
            </ol>
            <ShowMore more={trail.more} coming={trail.coming} what="entries" />
          </>
        )}
      </Loaded>
    </section>
  );
}
