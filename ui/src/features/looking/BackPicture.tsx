import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import css from './face.module.css';
import { type Point, whole } from './toes';
import type { Back } from './useBack';
import { arrows, usePicturePlace } from './usePicturePlace';

// Of the picture's width, for the points that are dragged.
const gripShare = 1 / 80;

// How far from an end a finger may come down, on the screen.
const reachPx = 30;

const far = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y);

/** The back of a plate with what the eye saw over it; both ends of the bead can be tapped, dragged and moved by keys. */
export function BackPicture(props: {
  picture: Schemas['Picture'];
  seen: Schemas['BackSeen'] | undefined;
  back: Back;
}) {
  const { picture, seen, back } = props;
  const { svg, at, per } = usePicturePlace(picture);
  const [dragged, setDragged] = useState<{ index: number; to: Point }>();
  const r = picture.width * gripShare;
  const ends = back.ends.map((point, i) => (i === dragged?.index ? dragged.to : point));
  return (
    <svg
      ref={svg}
      className={css.picture}
      data-tool={back.tool}
      viewBox={`0 0 ${picture.width} ${picture.height}`}
      role="group"
      aria-label="The back of the plate"
      onPointerDown={(event) => {
        const point = at(event);
        const index = back.ends.findIndex((end) => far(end, point) <= reachPx / per());
        if (back.tool !== 'ends' || index < 0) {
          back.place(point);
          return;
        }
        svg.current?.setPointerCapture(event.pointerId);
        setDragged({ index, to: point });
      }}
      onPointerMove={(event) => {
        if (dragged) setDragged({ ...dragged, to: at(event) });
      }}
      onPointerUp={() => {
        if (dragged) back.move(dragged.index, dragged.to);
        setDragged(undefined);
      }}
    >
      <image href={`/api/pictures/${picture.id}`} width={picture.width} height={picture.height} />
      {seen && <Shown seen={seen} r={r} noHole={back.ends.length === 2 ? back.noHole : undefined} />}
      {back.scale.map((point, i) => (
        <circle key={i} className={css.tap} cx={point.x} cy={point.y} r={r * 0.8} strokeWidth={r / 4} />
      ))}
      {/* Where a mark is seen its own line says where it lies. */}
      {ends.length === 2 && !seen?.mark.length && (
        <polyline
          className={css.tapLine}
          strokeWidth={r / 6}
          strokeDasharray={r}
          points={ends.map(({ x, y }) => `${x},${y}`).join(' ')}
        />
      )}
      {ends.map((point, i) => (
        <circle
          key={i}
          className={css.grip}
          data-end={i === 0 ? 'start' : 'end'}
          cx={point.x}
          cy={point.y}
          r={r}
          strokeWidth={r / 4}
          tabIndex={0}
          role="slider"
          aria-label={i === 0 ? 'Where the bead begins' : 'Where the bead ends'}
          aria-valuenow={Math.round(point.x)}
          aria-valuemin={0}
          aria-valuemax={picture.width}
          onKeyDown={(event) => {
            const step = arrows[event.key];
            if (!step) return;
            event.preventDefault();
            const by = picture.width / (event.shiftKey ? 40 : 400);
            back.move(i, {
              x: Math.min(picture.width, Math.max(0, point.x + by * step[0])),
              y: Math.min(picture.height, Math.max(0, point.y + by * step[1])),
            });
          }}
        />
      ))}
    </svg>
  );
}

const path = (line: Schemas['BackLine']) =>
  whole(line.along)
    .map(({ x, y }) => `${x},${y}`)
    .join(' ');

// As wide as each was measured.
function Shown(props: {
  seen: Schemas['BackSeen'];
  r: number;
  noHole: ((point: Point) => void) | undefined;
}) {
  const { seen, r, noHole } = props;
  const wide = (trace: Schemas['BackTrace'] | null) => (trace?.width.valueMm ?? 0) * seen.pixelsPerMm;
  return (
    <>
      {seen.tint.map((line, i) => (
        <polyline
          key={`t${i}`}
          className={css.band}
          strokeWidth={wide(seen.measures.tint)}
          points={path(line)}
        />
      ))}
      {seen.mark.map((line, i) => (
        <polyline key={`m${i}`} className={css.toe} strokeWidth={r / 3} points={path(line)} />
      ))}
      {whole(seen.holes).map((point, i) => (
        <rect
          key={`h${i}`}
          className={css.pore}
          x={point.x - r * 1.4}
          y={point.y - r * 1.4}
          width={r * 2.8}
          height={r * 2.8}
          strokeWidth={r / 3}
          pointerEvents="all"
          tabIndex={noHole ? 0 : undefined}
          role={noHole ? 'button' : undefined}
          aria-label={noHole ? `Hole ${i + 1}: it is none` : undefined}
          onPointerDown={(event) => {
            if (!noHole) return;
            event.stopPropagation();
            noHole(point);
          }}
          onKeyDown={(event) => {
            if (!noHole || (event.key !== 'Enter' && event.key !== ' ')) return;
            event.preventDefault();
            noHole(point);
          }}
        />
      ))}
    </>
  );
}
