import { Button, NumberInput, Select } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../shared/api/client';
import { Choice } from '../shared/Choice';
import { useUnits } from '../shared/units';
import { gases, processes, wireSize } from '../shared/words';
import { BeadGlyph } from '../features/judging/BeadGlyph';
import { SettingsPlane } from '../features/sheets/SettingsPlane';
import { evidence } from '../shared/words';
import { PracticeTabs } from './PracticeTabs';
import { ArcControls } from '../features/arc/ArcControls';
import type { Arc } from '../features/arc/useArc';
import '../features/arc/arc.css';

const plates = ['1', '1.5', '2', '3.2', '5', '6', '10'];
type Setup = Pick<Arc, 'wire' | 'gas' | 'wireFeedMPerMin' | 'volts' | 'stickOutMm' | 'plateMm'> & {
  wires: Schemas['Wire'][];
  gases: Schemas['Gas'][];
};

/** Where the bench begins in each process, and what it can be loaded with. */
const setups = {
  gmawShortCircuit: {
    wire: 'solid08',
    gas: 'argonCarbon25',
    wireFeedMPerMin: 4.6,
    volts: 16,
    stickOutMm: 10,
    plateMm: 3.2,
    wires: ['solid06', 'solid08', 'solid09', 'solid10', 'solid12'],
    gases: ['argonCarbon25', 'argonCarbon18', 'carbon'],
  },
  gmawGlobular: {
    wire: 'solid08',
    gas: 'argonCarbon25',
    wireFeedMPerMin: 9,
    volts: 24,
    stickOutMm: 12,
    plateMm: 6,
    wires: ['solid08', 'solid09', 'solid12'],
    gases: ['argonCarbon25', 'carbon'],
  },
  gmawSpray: {
    wire: 'solid09',
    gas: 'argonCarbon10',
    wireFeedMPerMin: 10.5,
    volts: 26,
    stickOutMm: 17,
    plateMm: 6,
    wires: ['solid09', 'solid10', 'solid12'],
    gases: ['argonCarbon10', 'argonOxygen2', 'argonCarbon2'],
  },
  gmawPulsed: {
    wire: 'solid09',
    gas: 'argonCarbon10',
    wireFeedMPerMin: 6,
    volts: 23,
    stickOutMm: 17,
    plateMm: 3.2,
    wires: ['solid09', 'solid10', 'solid12'],
    gases: ['argonCarbon10', 'argonCarbon2'],
  },
  fcawSelfShielded: {
    wire: 'selfShielded09',
    gas: 'none',
    wireFeedMPerMin: 2.6,
    volts: 15,
    stickOutMm: 15,
    plateMm: 3.2,
    wires: ['selfShielded08', 'selfShielded09', 'selfShielded12'],
    gases: ['none'],
  },
  fcawGasShielded: {
    wire: 'gasShielded12',
    gas: 'argonCarbon25',
    wireFeedMPerMin: 7.6,
    volts: 26,
    stickOutMm: 19,
    plateMm: 6,
    wires: ['gasShielded09', 'gasShielded12'],
    gases: ['argonCarbon25', 'carbon'],
  },
} satisfies Partial<Record<Schemas['Process'], Setup>>;
type Fed = keyof typeof setups;

const begin = (process: Fed): Partial<Arc> => {
  const { wire, gas, wireFeedMPerMin, volts, stickOutMm, plateMm } = setups[process];
  return { process, wire, gas, wireFeedMPerMin, volts, stickOutMm, plateMm };
};
const faults = {
  none: 'Nothing',
  gasLost: 'Gas lost',
  scale: 'Scale',
  wornTip: 'Worn tip',
  wrongPolarity: 'Wrong polarity',
} as const;
type Fault = keyof typeof faults;

const start: Arc = {
  process: 'gmawShortCircuit',
  wire: 'solid08',
  gas: 'argonCarbon25',
  wireFeedMPerMin: 4.6,
  volts: 16,
  stickOutMm: 10,
  travelMmPerMin: 300,
  plateMm: 3.2,
  joint: 'beadOnPlate',
  metal: 'mildSteel',
  amps: null,
  faults: [],
};

/** The arc bench: turn wire and volts, hear the arc, see trace and bead, compare with the sheet, guess a hidden fault. */
export function ArcBenchPage() {
  const { per, unit, show } = useUnits();
  const [arc, setArc] = useState<Arc>(start);
  const [hidden, setHidden] = useState<Fault>();
  const [guess, setGuess] = useState<Fault | null>(null);
  const change = (part: Partial<Arc>) => setArc((before) => ({ ...before, ...part }));
  const sheet = useQuery({
    queryKey: ['arc-sheet', arc.process, arc.plateMm, arc.wire, arc.gas],
    queryFn: () =>
      answer(
        api.POST('/api/sheets/compute', {
          body: {
            boothId: null,
            job: {
              thickness: `${arc.plateMm} mm`,
              joint: 'beadOnPlate',
              position: 'flat',
              wire: arc.wire,
              process: arc.process,
              gas: arc.gas,
            },
          },
        }),
      ),
    staleTime: Infinity,
    retry: false,
  });
  const setup: Setup = setups[arc.process as Fed];
  const shown: Arc = hidden && hidden !== 'none' ? { ...arc, faults: [hidden] } : arc;
  const hide = () => {
    const all = Object.keys(faults) as Fault[];
    setHidden(all[Math.floor(Math.random() * all.length)]);
    setGuess(null);
  };
  const pair = sheet.data?.pair;
  return (
    <>
      <PracticeTabs here="arc" />
      <div className="two-columns arc-bench">
        <section className="panel" aria-label="Arc bench">
          <ArcControls arc={shown} onTurn={change}>
            {(run) => (
              <div className="arc-bead">
                <BeadGlyph shape={run.bead.shape} joint={arc.joint} title="The bead this arc would leave" />
                <p>
                  <b>{run.sound ? evidence.sound.words[run.sound] : 'Between two sounds'}</b>
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
            <div className="arc-fields">
              <Select
                label="Process"
                size="md"
                allowDeselect={false}
                data={(Object.keys(setups) as Fed[]).map((process) => ({
                  value: process,
                  label: processes[process],
                }))}
                value={arc.process}
                onChange={(process) => change(begin(process as Fed))}
              />
              <Select
                label="Plate"
                size="md"
                allowDeselect={false}
                data={plates.map((mm) => ({ value: mm, label: show('length', Number(mm)) }))}
                value={String(arc.plateMm)}
                onChange={(mm) => change({ plateMm: Number(mm) })}
              />
              <Select
                label="Wire"
                size="md"
                allowDeselect={false}
                data={setup.wires.map((wire) => ({ value: wire, label: wireSize(wire) }))}
                value={arc.wire ?? null}
                onChange={(wire) => change({ wire })}
              />
              <Select
                label="Gas"
                size="md"
                allowDeselect={false}
                data={setup.gases.map((gas) => ({ value: gas, label: gases[gas] }))}
                value={arc.gas}
                onChange={(gas) => {
                  if (gas) change({ gas });
                }}
              />
              <NumberInput
                label="Stick-out"
                size="md"
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
              <NumberInput
                label="Travel"
                size="md"
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
                  size="md"
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
            ) : (
              <p className="quiet">No sheet for this plate and wire.</p>
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
                <Choice title="What is wrong?" words={faults} value={guess} onChange={setGuess} />
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
                  <Button size="md" variant="default" onClick={hide}>
                    Another one
                  </Button>
                  <Button size="md" variant="default" onClick={() => setHidden(undefined)}>
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
    </>
  );
}
