import { memo } from 'react';
import type { Schemas } from '../../shared/api/client';
import { waysOfSetting } from '../../shared/words';
import { useSay } from '../../shared/words/useSay';
import { Pair } from './Pair';
import { Tungsten } from './Tungsten';
import { useAims } from './useAims';
import { Why } from './Why';
import css from './sheets.module.css';

type Sheet = Schemas['Sheet'];
type Machine = Schemas['Machine'];

/** The way of setting a sheet was made by, where it decides something. */
function wayLine({ job, way, pair }: Sheet): string {
  const words = [pair && waysOfSetting.pair.words[way.pair]];
  if (job.position !== 'flat' && job.position !== 'horizontal') {
    words.push(waysOfSetting.position.words[way.position]);
  }
  return words.filter(Boolean).join(', ').toLowerCase();
}

/** A settings sheet: where the controls stand, what to aim at, what to expect. */
export const SheetView = memo(function SheetView({
  sheet,
  machine,
}: {
  sheet: Sheet;
  machine?: Machine | null;
}) {
  const say = useSay();
  const { reasons } = sheet;
  const aims = useAims(sheet);
  return (
    <div className={css.sheet}>
      {sheet.pair && <Pair sheet={sheet} pair={sheet.pair} machine={machine} />}
      {sheet.tig && <Tungsten sheet={sheet} tig={sheet.tig} machine={machine} />}
      <dl className={css.aims}>
        {aims.map((aim) => (
          <div key={aim.of}>
            <dt>{aim.label}</dt>
            <dd>
              <Why of={aim.of} label={aim.label.toLowerCase()} reasons={reasons}>
                {aim.big}
              </Why>
              {aim.small && <span className="quiet">{aim.small}</span>}
            </dd>
          </div>
        ))}
      </dl>
      <dl className={css.expect}>
        <div>
          <dt>It should sound</dt>
          <dd>{say(sheet.expectedSound)}</dd>
        </div>
        <div>
          <dt>It should look</dt>
          <dd>{say(sheet.expectedLook)}</dd>
        </div>
        <div>
          <dt>Direction and hand</dt>
          <dd>
            {say(sheet.direction)} {say(sheet.motion)}
          </dd>
        </div>
      </dl>
      {sheet.steps.length > 0 && (
        <section className={css.steps} aria-label="From loading to keeping">
          <h3>
            From loading to keeping <span className="quiet">{wayLine(sheet)}</span>
          </h3>
          <ol>
            {sheet.steps.map((step) => (
              <li key={say(step)}>{say(step)}</li>
            ))}
          </ol>
        </section>
      )}
      {sheet.otherWays.length > 0 && (
        <section className={css.otherWays} aria-label="Other ways of setting">
          <h3>Other ways of setting</h3>
          <ul>
            {sheet.otherWays.map((other) => (
              <li key={other.between}>{say(other.text)}</li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
});
