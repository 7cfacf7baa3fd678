import type { Schemas } from '../../shared/api/client';
import { criteria, standings } from '../../shared/words';
import { useSay } from '../../shared/words/useSay';
import css from './judging.module.css';

const marks: Record<Schemas['Standing'], string> = { right: '✓', off: '✕', notKnown: '?' };

/** A bead against its criteria set, limit by limit, as it applies to this thickness and size. */
export function AcceptanceTable({ acceptance }: { acceptance: Schemas['Acceptance'] }) {
  const say = useSay();
  return (
    <section className={css.acceptance} aria-label="Limits">
      <h3>
        {say(acceptance.name)}:{' '}
        <span className={css.whole} data-standing={acceptance.standing}>
          {marks[acceptance.standing]} {standings[acceptance.standing].toLowerCase()}
        </span>
      </h3>
      <table>
        <thead>
          <tr>
            <th scope="col">Limited</th>
            <th scope="col">Limit here</th>
            <th scope="col">Found</th>
          </tr>
        </thead>
        <tbody>
          {acceptance.criteria.map((row) => (
            <tr key={row.criterion} data-standing={row.standing}>
              <th scope="row">
                <span role="img" aria-label={standings[row.standing]}>
                  {marks[row.standing]}
                </span>{' '}
                {criteria[row.criterion]}
              </th>
              <td>{say(row.limit)}</td>
              <td>{say(row.found)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="quiet">{say(acceptance.note)}</p>
    </section>
  );
}
