import { useRef } from 'react';
import type { Schemas } from '../../shared/api/client';
import css from './face.module.css';
import { grips, nearest, type Point, type Side, type Toes, whole } from './toes';
import type { Face } from './useFace';
import { arrows, usePicturePlace } from './usePicturePlace';

// Of the picture's width, for the points that are dragged.
const gripShare = 1 / 95;

// How far from a grip a finger may come down, on the screen.
const reachPx = 30;

/** The picture with what the eye saw over it; toes can be dragged, ends and a known length tapped. */
export function FacePicture(props: {
  picture: Schemas['Picture'];
  seen: Schemas['FaceSeen'] | undefined;
  face: Face;
}) {
  const { picture, seen, face } = props;
  const { svg, at, per } = usePicturePlace(picture);
  const held = useRef<{ side: Side; index: number }>(null);
  const r = picture.width * gripShare;
  const toes: Toes | undefined =
    face.dragged ?? (seen && { left: whole(seen.left), right: whole(seen.right) });
  return (
    <svg
      ref={svg}
      className={css.picture}
      data-tool={face.tool}
      viewBox={`0 0 ${picture.width} ${picture.height}`}
      role="group"
      aria-label="The bead's face"
      onPointerDown={(event) => {
        const wide = reachPx / per();
        const grip = face.tool === 'toes' && toes ? nearest(toes, at(event), wide) : undefined;
        if (!grip) {
          face.place(at(event));
          return;
        }
        svg.current?.setPointerCapture(event.pointerId);
        held.current = grip;
      }}
      onPointerMove={(event) => {
        if (held.current && toes) face.drag(toes, held.current.side, held.current.index, at(event));
      }}
      onPointerUp={() => {
        held.current = null;
        face.release();
      }}
    >
      <image href={`/api/pictures/${picture.id}`} width={picture.width} height={picture.height} />
      {toes && <Lines toes={toes} width={r / 3.5} />}
      {seen && !face.dragged && <Rounds seen={seen} r={r} />}
      <Taps points={face.ends} r={r} kind="ends" />
      <Taps points={face.scale} r={r} kind="scale" />
      {toes &&
        face.tool === 'toes' &&
        (['left', 'right'] as const).flatMap((side) =>
          grips(toes[side]).map((index, nth, all) => {
            const point = toes[side][index] as Point;
            return (
              <circle
                key={`${side}${index}`}
                className={css.grip}
                data-grip={side}
                cx={point.x}
                cy={point.y}
                r={r}
                strokeWidth={r / 3}
                tabIndex={0}
                role="slider"
                aria-label={`${side === 'left' ? 'Left' : 'Right'} toe, point ${nth + 1} of ${all.length}`}
                aria-valuenow={Math.round(point.y)}
                aria-valuemin={0}
                aria-valuemax={picture.height}
                onKeyDown={(event) => {
                  const step = arrows[event.key];
                  if (!step) return;
                  event.preventDefault();
                  const by = event.shiftKey ? 10 : 2;
                  face.nudge(toes, side, index, { x: by * step[0], y: by * step[1] });
                }}
              />
            );
          }),
        )}
    </svg>
  );
}

const path = (points: Point[]) => points.map((point) => `${point.x},${point.y}`).join(' ');

function Lines({ toes, width }: { toes: Toes; width: number }) {
  return (['left', 'right'] as const).map((side) => (
    <g key={side}>
      <polyline className={css.halo} strokeWidth={width * 2} points={path(toes[side])} />
      <polyline className={css.toe} strokeWidth={width} points={path(toes[side])} />
    </g>
  ));
}

function Rounds({ seen, r }: { seen: Schemas['FaceSeen']; r: number }) {
  return (
    <>
      {whole(seen.spatter).map((point, i) => (
        <circle
          key={`s${i}`}
          className={css.grain}
          cx={point.x}
          cy={point.y}
          r={r * 0.8}
          strokeWidth={r / 5}
        />
      ))}
      {whole(seen.pores).map((point, i) => (
        <rect
          key={`p${i}`}
          className={css.pore}
          x={point.x - r * 0.8}
          y={point.y - r * 0.8}
          width={r * 1.6}
          height={r * 1.6}
          strokeWidth={r / 4}
        />
      ))}
    </>
  );
}

function Taps({ points, r, kind }: { points: Point[]; r: number; kind: string }) {
  return (
    <>
      {points.length === 2 && <polyline className={css.tapLine} strokeWidth={r / 4} points={path(points)} />}
      {points.map((point, i) => (
        <circle
          key={`${kind}${i}`}
          className={css.tap}
          cx={point.x}
          cy={point.y}
          r={r * 0.9}
          strokeWidth={r / 4}
        />
      ))}
    </>
  );
}
