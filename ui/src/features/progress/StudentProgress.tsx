import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { Goals } from './Goals';
import { isSame } from './kinds';
import { LearningCurve } from './LearningCurve';
import { Logbooks } from './Logbooks';
import css from './progress.module.css';
import { progressQueries } from './queries';
import { Remarks } from './Remarks';
import { SkillInFull, SkillMap } from './SkillMap';
import { TermPanels } from './TermPanels';

/** What one student can weld, how they got there, and what comes of it. */
export function StudentProgress({ studentId, may }: { studentId: string; may: boolean }) {
  const skills = useQuery(progressQueries.skills(studentId));
  return (
    <div className="stack">
      <Loaded of={asLoading(skills)} what="the skill map">
        {({ cells }) =>
          cells.length === 0 ? (
            <p className="panel empty">No bead yet: the map fills as they are laid.</p>
          ) : (
            <Skills studentId={studentId} cells={cells} />
          )
        }
      </Loaded>
      <TermPanels studentId={studentId} />
      <div className={css.columns}>
        <Goals studentId={studentId} may={may} />
        <Remarks studentId={studentId} may={may} />
      </div>
      <Logbooks studentId={studentId} may={may} />
    </div>
  );
}

function Skills({ studentId, cells }: { studentId: string; cells: Schemas['SkillCell'][] }) {
  const [chosen, setChosen] = useState(cells[0]?.kind);
  const cell = (chosen && cells.find((one) => isSame(chosen, one.kind))) ?? cells[0];
  return (
    <>
      <section className="panel stack" aria-label="What is known">
        <SkillMap cells={cells} chosen={cell?.kind} onChoose={setChosen} />
        <p className="quiet">
          The bar: how often the next bead comes right, from never to always, as far as is known. An empty
          one: not known yet.
        </p>
      </section>
      {cell && (
        <div className={css.columns}>
          <SkillInFull cell={cell} />
          <LearningCurve studentId={studentId} kind={cell.kind} />
        </div>
      )}
    </>
  );
}
