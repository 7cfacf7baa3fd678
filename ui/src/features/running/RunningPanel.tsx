import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { Says } from '../../shared/words/useSay';
import { runningQueries } from './queries';
import css from './running.module.css';

const states: Record<Schemas['RunningState'], { word: string; mark: string }> = {
  fine: { word: 'Fine', mark: css.fine ?? '' },
  look: { word: 'Look at it this week', mark: css.look ?? '' },
  act: { word: 'See to it before the next session', mark: css.act ?? '' },
};

/** What Gentle Bead needs to run, line by line: how it stands, and what to do where it does not stand well. */
export function RunningPanel() {
  const now = asLoading(useQuery(runningQueries.now()));
  return (
    <section className="panel stack" aria-label="How it runs">
      <h2>How it runs</h2>
      <Loaded of={now} what="how it runs">
        {(lines) => (
          <dl className={css.lines}>
            {lines.map((line) => (
              <Line key={line.what.say} line={line} />
            ))}
          </dl>
        )}
      </Loaded>
    </section>
  );
}

function Line({ line }: { line: Schemas['RunningLine'] }) {
  const { word, mark } = states[line.state];
  return (
    <div className={css.line}>
      <dt>
        <Says said={line.what} />
      </dt>
      <dd>
        <span className={`${css.state} ${mark}`}>{word}</span>
        <p>
          <Says said={line.says} />
        </p>
        {line.do && (
          <p className="quiet">
            <Says said={line.do} />
          </p>
        )}
      </dd>
    </div>
  );
}
