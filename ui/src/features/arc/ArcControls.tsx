import { Button } from '@mantine/core';
import { useHotkeys } from '@mantine/hooks';
import { IconVolume, IconVolumeOff } from '@tabler/icons-react';
import type { Schemas } from '../../shared/api/client';
import { Trouble } from '../../shared/Trouble';
import { useUnits } from '../../shared/units';
import { Knob } from './Knob';
import { TraceChart } from './TraceChart';
import { type Arc, useArc } from './useArc';
import { useArcSound } from './useArcSound';
import css from './arc.module.css';

type Dial = Omit<React.ComponentProps<typeof Knob>, 'onTurn'> & { turned: (value: number) => Partial<Arc> };

/** Wire and volts of a fed wire, amps and arc length of a tungsten, in the reader's units. */
function useDials(arc: Arc): [Dial, Dial] {
  const { per, unit, units } = useUnits();
  const inch = units === 'inch';
  const keys = ['← →', '↓ ↑'] as const;
  if (arc.amps !== null)
    return [
      {
        ...{ name: 'Amps', value: arc.amps, low: 5, high: 250, step: 1, digits: 0, unit: 'A', keys: keys[0] },
        turned: (amps) => ({ amps }),
      },
      {
        ...{ name: 'Arc length', unit: unit('length'), keys: keys[1], digits: inch ? 3 : 1 },
        ...{ value: arc.stickOutMm * per('length'), low: 0.5 * per('length'), high: 10 * per('length') },
        step: inch ? 1 / 64 : 0.2,
        turned: (value) => ({ stickOutMm: value / per('length') }),
      },
    ];
  return [
    {
      ...{ name: 'Wire', unit: unit('wireFeed'), keys: keys[0], digits: inch ? 0 : 1 },
      value: Number((arc.wireFeedMPerMin * per('wireFeed')).toFixed(inch ? 0 : 2)),
      ...(inch ? { low: 50, high: 600, step: 5 } : { low: 1.2, high: 15, step: 0.1 }),
      turned: (value) => ({ wireFeedMPerMin: value / per('wireFeed') }),
    },
    {
      ...{
        name: 'Volts',
        value: arc.volts,
        low: 12,
        high: 36,
        step: 0.2,
        digits: 1,
        unit: 'V',
        keys: keys[1],
      },
      turned: (value) => ({ volts: Number(value.toFixed(2)) }),
    },
  ];
}

/** Two knobs, the arc they make, and what it does: heard, traced, metered. */
export function ArcControls(props: {
  arc: Arc;
  onTurn: (turned: Partial<Arc>) => void;
  /** Trace and meters may be covered up, where the ear is to tell. */
  meters?: boolean;
  children?: (run: Schemas['ArcRun']) => React.ReactNode;
}) {
  const { arc } = props;
  const { show } = useUnits();
  const dials = useDials(arc);
  const sound = useArcSound();
  const { run, trouble, heardMs } = useArc(arc, (next) => {
    if (sound.on) sound.play(next.wav);
  });
  const turn = (dial: Dial, value: number) =>
    props.onTurn(dial.turned(Math.min(dial.high, Math.max(dial.low, value))));
  useHotkeys([
    ['ArrowRight', () => turn(dials[0], dials[0].value + dials[0].step)],
    ['ArrowLeft', () => turn(dials[0], dials[0].value - dials[0].step)],
    ['ArrowUp', () => turn(dials[1], dials[1].value + dials[1].step)],
    ['ArrowDown', () => turn(dials[1], dials[1].value - dials[1].step)],
  ]);
  return (
    <div className={css.arcControls} data-heard-ms={heardMs}>
      <div className={css.knobs}>
        {dials.map(({ turned, ...dial }) => (
          <Knob key={dial.name} {...dial} onTurn={(value) => props.onTurn(turned(value))} />
        ))}
        <Button
          size="xl"
          className="strike"
          variant={sound.on ? 'default' : 'filled'}
          leftSection={sound.on ? <IconVolumeOff /> : <IconVolume />}
          onClick={() => {
            if (sound.on) sound.breakOff();
            else {
              sound.strike();
              if (run) sound.play(run.wav);
            }
          }}
        >
          {sound.on ? 'Break the arc' : 'Strike the arc'}
        </Button>
      </div>
      {trouble && <Trouble error={trouble} />}
      {run && (
        <>
          {props.meters !== false && <TraceChart trace={run.trace} most={300} />}
          {props.meters !== false && (
            <p className={css.meters} aria-label="Meters">
              <b>{run.meanVolts.toFixed(1)} V</b>
              <b>{show('amps', run.meanAmps)}</b>
              <span>
                {arc.wire && `${Math.round(run.shortRate)} short circuits a second · `}
                <span className="quiet">new after {heardMs} ms</span>
              </span>
            </p>
          )}
          {props.children?.(run)}
        </>
      )}
    </div>
  );
}
