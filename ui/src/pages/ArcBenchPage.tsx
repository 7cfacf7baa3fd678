import { Button, NumberInput, Select } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../shared/api/client';
import { Choice } from '../shared/Choice';
import { useUnits } from '../shared/units';
import { gases, metals, processes, wireSize } from '../shared/words';
import { BeadGlyph } from '../features/judging/BeadGlyph';
import { SettingsPlane } from '../features/sheets/SettingsPlane';
import { useSay } from '../shared/words/useSay';
import { sheetQueries } from '../features/sheets/queries';
import { PracticeFrame } from './PracticeFrame';
import { ArcControls } from '../features/arc/ArcControls';
import { begin, type Fault, faults, faultsOf, setups } from '../features/arc/setups';
import type { Arc } from '../features/arc/useArc';
import css from './arcBench.module.css';
import { LoadTrouble } from '../shared/Loaded';

const plates = ['1', '1.5', '2', '3.2', '5', '6', '10'];

const start: Arc = { ...begin('gmawShortCircuit'), travelMmPerMin: 300, joint: 'beadOnPlate', faults: [] };

/**
 * The arc bench: turn wire and volts, or a tungsten's amps and arc length; hear the arc, see trace and bead, compare with the sheet,
 * guess a hidden fault.
 */
export function ArcBenchPage() {
  const say = useSay();
  const { per, unit, show } = useUnits();
  const [arc, setArc] = useState<Arc>(start);
  const [hidden, setHidden] = useState<Fault>();
  const [guess, setGuess] = useState<Fault | null>(null);
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
  const setup = setups[arc.process];
  const tungsten = arc.amps !== null;
  const hideable = faultsOf(arc.process);
  const shown: Arc = hidden && hidden !== 'none' ? { ...arc, faults: [hidden] } : arc;
  const hide = () => {
    const all = Object.keys(hideable) as Fault[];
    setHidden(all[Math.floor(Math.random() * all.length)]);
    setGuess(null);
  };
  const { pair, tig } = sheet.data ?? {};
  return (
    <PracticeFrame part="arc bench">
      <div className={`two-columns ${css.arcBench}`}>
        <section className="panel" aria-label="Arc bench">
          <LoadTrouble of={sheet} what="the sheet for it" />
          <ArcControls arc={shown} onTurn={change}>
            {(run) => (
              <div className={css.arcBead}>
                <BeadGlyph shape={run.bead.shape} joint={arc.joint} title="The bead this arc would leave" />
                <p>
                  <b>{say(run.heard)}</b>
                  <br />
                  {show('length', run.bead.widthMm)} wide, {show('length', run.bead.heightMm)} high, fused{' '}
                  {show('length', run.bead.depthMm)} deep.{' '}
                  {run.bead.burntThrough ? 'Burns through.' : run.bead.unfused ? 'Lies on the plate.' : ''}
                </p>
              </div>
            )}
          </ArcControls>
        </section>
        <div className="stack">
          <section className="panel stack" aria-label="Job">
            <div className={css.arcFields}>
              <Select
                label="Process"
                data={(Object.keys(setups) as Schemas['Process'][]).map((process) => ({
                  value: process,
                  label: processes[process],
                }))}
                value={arc.process}
                onChange={(process) => {
                  if (!process) return;
                  change(begin(process));
                  setHidden(undefined);
                }}
              />
              <Select
                label="Plate"
                data={plates.map((mm) => ({ value: mm, label: show('length', Number(mm)) }))}
                value={String(arc.plateMm)}
                onChange={(mm) => change({ plateMm: Number(mm) })}
              />
              {tungsten ? (
                <Select
                  label="Metal"
                  data={setup.metals.map((metal) => ({ value: metal, label: metals[metal] }))}
                  value={arc.metal}
                  onChange={(metal) => {
                    if (metal) change({ metal });
                  }}
                />
              ) : (
                <Select
                  label="Wire"
                  data={setup.wires.map((wire) => ({ value: wire, label: wireSize(wire) }))}
                  value={arc.wire ?? null}
                  onChange={(wire) => change({ wire })}
                />
              )}
              <Select
                label="Gas"
                data={setup.gases.map((gas) => ({ value: gas, label: gases[gas] }))}
                value={arc.gas}
                onChange={(gas) => {
                  if (gas) change({ gas });
                }}
              />
              {!tungsten && (
                <NumberInput
                  label="Stick-out"
                  min={3 * per('length')}
                  max={40 * per('length')}
                  step={per('length')}
                  decimalScale={2}
                  suffix={` ${unit('length')}`}
                  value={Number((arc.stickOutMm * per('length')).toFixed(2))}
                  onChange={(value) => {
                    const mm = Number(value) / per('length');
                    if (mm >= 3 && mm <= 40) change({ stickOutMm: mm });
                  }}
                />
              )}
              <NumberInput
                label="Travel"
                min={20 * per('travel')}
                max={2000 * per('travel')}
                decimalScale={1}
                suffix={` ${unit('travel')}`}
                value={Number((arc.travelMmPerMin * per('travel')).toFixed(1))}
                onChange={(value) => {
                  const travel = Number(value) / per('travel');
                  if (travel >= 20 && travel <= 2000) change({ travelMmPerMin: travel });
                }}
              />
            </div>
            {pair ? (
              <>
                <SettingsPlane
                  pair={pair}
                  beads={[
                    {
                      number: 1,
                      verdict: 'open',
                      used: { wireFeedMPerMin: arc.wireFeedMPerMin, volts: arc.volts },
                    },
                  ]}
                />
                <Button
                  variant="default"
                  onClick={() =>
                    change({
                      wireFeedMPerMin: pair.wireFeedMPerMin,
                      volts: Number(pair.volts.aimVolts.toFixed(1)),
                      stickOutMm: pair.stickOut.aimMm,
                    })
                  }
                >
                  Set it as the sheet says: {show('wireFeed', pair.wireFeedMPerMin)},{' '}
                  {show('volts', pair.volts.aimVolts)}
                </Button>
              </>
            ) : tig ? (
              <Button
                variant="default"
                onClick={() => change({ amps: sheet.data?.amps ?? null, stickOutMm: tig.tungstenMm })}
              >
                Set it as the sheet says: {show('amps', sheet.data?.amps ?? 0)}, an arc of{' '}
                {show('length', tig.tungstenMm)}
              </Button>
            ) : (
              <p className="quiet">No sheet for this plate and what is loaded.</p>
            )}
          </section>
          <section className="panel stack" aria-label="Hidden fault">
            {hidden === undefined ? (
              <>
                <h2>Guess the fault</h2>
                <p className="quiet">
                  Something goes wrong with this arc, or nothing does. Listen, look, turn.
                </p>
                <Button size="lg" variant="default" onClick={hide}>
                  Hide a fault
                </Button>
              </>
            ) : (
              <>
                <Choice title="What is wrong?" words={hideable} value={guess} onChange={setGuess} />
                {guess && (
                  <p role="status">
                    {guess === hidden ? (
                      <b>Right: {faults[hidden].toLowerCase()}.</b>
                    ) : (
                      `Not ${faults[guess].toLowerCase()}. Listen again.`
                    )}
                  </p>
                )}
                <div className="row">
                  <Button variant="default" onClick={hide}>
                    Another one
                  </Button>
                  <Button variant="default" onClick={() => setHidden(undefined)}>
                    Take it away
                  </Button>
                </div>
              </>
            )}
          </section>
          <p className="quiet">
            A simulated arc: it teaches ear and hand, and qualifies nobody. At a real one: shade up, skin
            covered, extraction on.
          </p>
        </div>
      </div>
    </PracticeFrame>
  );
}
