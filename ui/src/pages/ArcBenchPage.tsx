import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../shared/api/client';
import { LoadTrouble } from '../shared/Loaded';
import { useUnits } from '../shared/units';
import { useSay } from '../shared/words/useSay';
import { ArcControls } from '../features/arc/ArcControls';
import { ArcJob } from '../features/arc/ArcJob';
import { AsTheSheet } from '../features/arc/AsTheSheet';
import { HiddenFault } from '../features/arc/HiddenFault';
import { begin, type Fault } from '../features/arc/setups';
import type { Arc } from '../features/arc/useArc';
import css from '../features/arc/arcBench.module.css';
import { BeadGlyph } from '../features/judging/BeadGlyph';
import { sheetQueries } from '../features/sheets/queries';
import { PracticeFrame } from './PracticeFrame';

const start: Arc = { ...begin('gmawShortCircuit'), travelMmPerMin: 300, joint: 'beadOnPlate', faults: [] };

/**
 * The arc bench: turn wire and volts, or a tungsten's amps and arc length; hear the arc, see trace and bead, compare with the sheet,
 * guess a hidden fault.
 */
export function ArcBenchPage() {
  const [arc, setArc] = useState<Arc>(start);
  const [hidden, setHidden] = useState<Fault>();
  const change = (part: Partial<Arc>) => setArc((before) => ({ ...before, ...part }));
  const sheet = useQuery(
    sheetQueries.atNoBooth({
      thickness: `${arc.plateMm} mm`,
      joint: 'beadOnPlate',
      position: 'flat',
      wire: arc.wire,
      process: arc.process,
      gas: arc.gas,
      metal: arc.metal,
    }),
  );
  const shown: Arc = hidden && hidden !== 'none' ? { ...arc, faults: [hidden] } : arc;
  return (
    <PracticeFrame part="arc bench">
      <div className={`two-columns ${css.arcBench}`}>
        <section className="panel" aria-label="Arc bench">
          <LoadTrouble of={sheet} what="the sheet for it" />
          <ArcControls arc={shown} onTurn={change}>
            {(run) => <Left run={run} joint={arc.joint} />}
          </ArcControls>
        </section>
        <div className="stack">
          <section className="panel stack" aria-label="Job">
            <ArcJob
              arc={arc}
              onChange={change}
              onProcess={(begun) => {
                change(begun);
                setHidden(undefined);
              }}
            />
            <AsTheSheet sheet={sheet.data} arc={arc} onChange={change} />
          </section>
          <HiddenFault process={arc.process} hidden={hidden} onHide={setHidden} />
          <p className="quiet">
            A simulated arc: it teaches ear and hand, and qualifies nobody. At a real one: shade up, skin
            covered, extraction on.
          </p>
        </div>
      </div>
    </PracticeFrame>
  );
}

/** The bead an arc would leave, and what it sounds like. */
function Left({ run, joint }: { run: Schemas['ArcRun']; joint: Schemas['Joint'] }) {
  const say = useSay();
  const { show } = useUnits();
  const { bead, heard } = run;
  return (
    <div className={css.arcBead}>
      <BeadGlyph shape={bead.shape} joint={joint} title="The bead this arc would leave" />
      <p>
        <b>{say(heard)}</b>
        <br />
        {show('length', bead.widthMm)} wide, {show('length', bead.heightMm)} high, fused{' '}
        {show('length', bead.depthMm)} deep.{' '}
        {bead.burntThrough ? 'Burns through.' : bead.unfused ? 'Lies on the plate.' : ''}
      </p>
    </div>
  );
}
