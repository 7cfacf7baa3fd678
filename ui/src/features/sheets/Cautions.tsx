import { memo } from 'react';
import type { Schemas } from '../../shared/api/client';
import { useSay } from '../../shared/words/useSay';
import css from './sheets.module.css';

/** The cautions of a sheet, grave things first in sight. */
export const Cautions = memo(function Cautions({ sheet }: { sheet: Schemas['Sheet'] }) {
  const say = useSay();
  return (
    <section className={css.cautions} aria-label="Cautions">
      <h3>Cautions</h3>
      <ul>
        {sheet.cautions.map((caution) => (
          <li key={say(caution.text)} data-grave={caution.grave}>
            {say(caution.text)}
          </li>
        ))}
      </ul>
    </section>
  );
});
