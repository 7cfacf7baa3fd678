import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { Trouble } from '../../shared/Trouble';
import { useUnits } from '../../shared/units';
import arcCss from '../arc/arc.module.css';
import { TraceChart } from '../arc/TraceChart';
import { BeadGlyph } from '../judging/BeadGlyph';
import css from './drills.module.css';
import { practiceQueries } from './queries';

/** What there is of a drill: to hear, to see, to feel. */
export function DrillSight({ id, sound, glyph }: { id: string; sound: boolean; glyph: boolean }) {
  const { show } = useUnits();
  const audio = useRef<HTMLAudioElement>(null);
  const [silent, setSilent] = useState(false);
  const sight = useQuery(practiceQueries.sight(id));
  useEffect(() => {
    if (sound) audio.current?.play().catch(() => setSilent(true));
  }, [sound]);
  const data = sight.data;
  // A device that can shake does so with each short circuit: a knock of five thousandths, and the pause to the next.
  const pattern = data?.shorts.flatMap((at, i) => [
    5,
    Math.max(1, Math.round(((data.shorts[i + 1] ?? 1) - at) * 1000) - 5),
  ]);
  return (
    <div className={css.drillSight}>
      {sound && (
        <>
          <audio ref={audio} controls loop src={`/api/drills/${id}/sound`} onError={() => setSilent(true)}>
            <track kind="captions" />
          </audio>
          {silent && <p className="quiet">Press play, or take the drill without sound.</p>}
        </>
      )}
      {sight.isError && <Trouble error={sight.error} again={() => sight.refetch()} />}
      {data && (
        <>
          {data.meanVolts === null && data.meanAmps === null ? (
            <p className="quiet">Nobody read the meters on this one.</p>
          ) : (
            <p className={arcCss.meters} aria-label="Meters">
              {data.meanVolts !== null && <b>{show('volts', data.meanVolts)}</b>}
              {data.meanAmps !== null && <b>{show('amps', data.meanAmps)}</b>}
              <span className="quiet">as the machine’s read-out shows them</span>
            </p>
          )}
          {!sound && !data.trace && (
            <p>This one was recorded in the room and is for the ear. Leave it with All drills.</p>
          )}
          {!sound && (
            <>
              {data.trace && <TraceChart trace={data.trace} />}
              <OutlinePicture outline={data.outline} />
              {'vibrate' in navigator && pattern && pattern.length > 0 && (
                <Button variant="default" onClick={() => navigator.vibrate(pattern)}>
                  Feel it
                </Button>
              )}
            </>
          )}
          {glyph && data.bead && (
            <BeadGlyph shape={data.bead} joint={data.bead.joint} title="The bead it left" />
          )}
        </>
      )}
    </div>
  );
}

/** How loud it is, over three seconds. */
function OutlinePicture({ outline }: { outline: Schemas['Outline'] }) {
  const top = Math.max(0.01, ...outline.high, ...outline.low.map(Math.abs));
  const point = (value: number, i: number) => `${i},${(50 - (value / top) * 48).toFixed(1)}`;
  return (
    <svg
      className={css.outlinePicture}
      viewBox={`0 0 ${outline.high.length} 100`}
      preserveAspectRatio="none"
      role="img"
      aria-label="Outline of the sound over three seconds"
    >
      <polygon points={[...outline.high.map(point), ...outline.low.map(point).reverse()].join(' ')} />
    </svg>
  );
}
