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

/** Two knobs, the arc they make, and what it does: heard, traced, metered. */
export function ArcControls(props: {
  arc: Arc;
  onTurn: (turned: { wireFeedMPerMin?: number; volts?: number }) => void;
  /** Trace and meters may be covered up, where the ear is to tell. */
  meters?: boolean;
  children?: (run: Schemas['ArcRun']) => React.ReactNode;
}) {
  const { arc } = props;
  const { per, unit, show, units } = useUnits();
  const sound = useArcSound();
  const { run, trouble, heardMs } = useArc(arc, (next) => {
    if (sound.on) sound.play(next.wav);
  });
  const feed = Number((arc.wireFeedMPerMin * per('wireFeed')).toFixed(units === 'inch' ? 0 : 2));
  const feedStep = units === 'inch' ? 5 : 0.1;
  const turnWire = (value: number) => props.onTurn({ wireFeedMPerMin: value / per('wireFeed') });
  const turnVolts = (value: number) => props.onTurn({ volts: Number(value.toFixed(2)) });
  useHotkeys([
    ['ArrowRight', () => turnWire(feed + feedStep)],
    ['ArrowLeft', () => turnWire(feed - feedStep)],
    ['ArrowUp', () => turnVolts(arc.volts + 0.2)],
    ['ArrowDown', () => turnVolts(arc.volts - 0.2)],
  ]);
  return (
    <div className="arc-controls" data-heard-ms={heardMs}>
      <div className="knobs">
        <Knob
          name="Wire"
          value={feed}
          low={units === 'inch' ? 50 : 1.2}
          high={units === 'inch' ? 600 : 15}
          step={feedStep}
          digits={units === 'inch' ? 0 : 1}
          unit={unit('wireFeed')}
          keys="← →"
          onTurn={turnWire}
        />
        <Knob
          name="Volts"
          value={arc.volts}
          low={12}
          high={36}
          step={0.2}
          digits={1}
          unit="V"
          keys="↓ ↑"
          onTurn={turnVolts}
        />
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
            <p className="meters" aria-label="Meters">
              <b>{run.meanVolts.toFixed(1)} V</b>
              <b>{show('amps', run.meanAmps)}</b>
              <span>
                {Math.round(run.shortRate)} short circuits a second
                <span className="quiet"> · new after {heardMs} ms</span>
              </span>
            </p>
          )}
          {props.children?.(run)}
        </>
      )}
    </div>
  );
}
