import type { Schemas } from '../../shared/api/client';
import css from './section.module.css';
import { type Marks, modes, nearestMark, order, pairs, type Point } from './sectionMarks';
import { snapped } from './snap';
import type { Marking } from './useMarking';
import { arrows, usePicturePlace } from './usePicturePlace';

// Of what is shown, for the points that are dragged.
const handleShare = 1 / 110;

// How far off a mark a finger may come down and how far off an edge a mark may be laid, on the screen.
const reachPx = { touch: 24, mouse: 10, snap: 14 };

/** The picture of a section with its marks; a tap marks, a mark can be dragged, and lies on edges it comes near. */
export function MarkedSection(props: {
  picture: Schemas['Picture'];
  marking: Marking;
  edges: Point[][];
  /** The part of the picture that is shown. */
  view: { x: number; y: number; width: number; height: number };
}) {
  const { picture, marking, edges, view } = props;
  const { marks, mode, held } = marking;
  const { svg, at, per } = usePicturePlace(picture);
  const r = view.width * handleShare;
  const laid = (event: { clientX: number; clientY: number }): Point =>
    modes[mode].snaps ? snapped(at(event), edges, reachPx.snap / per()) : at(event);
  return (
    <svg
      ref={svg}
      className={css.macroPicture}
      viewBox={`${view.x} ${view.y} ${view.width} ${view.height}`}
      role="group"
      aria-label="The section; tap to mark"
      onPointerDown={(event) => {
        const reach = (event.pointerType === 'touch' ? reachPx.touch : reachPx.mouse) / per();
        const near = nearestMark(marks[mode], at(event), reach);
        if (near === undefined) {
          marking.place(laid(event));
          return;
        }
        svg.current?.setPointerCapture(event.pointerId);
        marking.hold(near);
      }}
      onPointerMove={(event) => held && marking.drag(laid(event))}
      onPointerUp={marking.release}
    >
      <image href={`/api/pictures/${picture.id}`} width={picture.width} height={picture.height} />
      <Lines marks={marks} width={r / 3.2} />
      {order
        .filter((one) => one !== mode)
        .flatMap((one) =>
          marks[one].map((point, index) => (
            <circle
              // The points of one kind stand in their order.
              key={`${one}${index}`}
              className={css.handle}
              data-kind={one === 'root' ? 'toes' : one}
              cx={point.x}
              cy={point.y}
              r={r * 0.6}
              strokeWidth={r / 4}
            />
          )),
        )}
      {marks[mode].map((point, index) => (
        <circle
          key={`${mode}${index}`}
          className={css.handle}
          data-held={held?.index === index || undefined}
          data-kind={mode === 'root' ? 'toes' : mode}
          data-mark={mode}
          cx={point.x}
          cy={point.y}
          r={r}
          strokeWidth={r / 3}
          tabIndex={0}
          role="slider"
          aria-label={`${modes[mode].title}, point ${index + 1} of ${marks[mode].length}`}
          aria-valuenow={Math.round(point.y)}
          aria-valuemin={0}
          aria-valuemax={picture.height}
          onKeyDown={(event) => {
            const step = arrows[event.key];
            if (!step) return;
            event.preventDefault();
            event.stopPropagation();
            const by = event.shiftKey ? 10 : 1;
            marking.nudge(index, { x: by * step[0], y: by * step[1] });
          }}
        />
      ))}
      {marks.root[0] && (
        <text
          x={marks.root[0].x + r * 1.4}
          y={marks.root[0].y + r * 2.6}
          fontSize={r * 2.4}
          strokeWidth={r / 2}
        >
          root
        </text>
      )}
    </svg>
  );
}

function Lines({ marks, width }: { marks: Marks; width: number }) {
  const points = (all: Point[]) => all.map((point) => `${point.x},${point.y}`).join(' ');
  const [lower, upper] = marks.toes;
  const [root] = marks.root;
  const face = lower && upper ? [lower, ...marks.face, upper] : marks.face;
  const line = (kind: string, all: Point[]) =>
    all.length > 1 && (
      <g key={kind}>
        <polyline className={css.halo} strokeWidth={width * 2} points={points(all)} />
        <polyline className={css.line} data-kind={kind} strokeWidth={width} points={points(all)} />
      </g>
    );
  return (
    <>
      {line('scale', marks.scale)}
      {root && lower && upper && line('toes', [lower, root, upper])}
      {marks.face.length > 0 && line('face', face)}
      {line('fusion', marks.fusion)}
      {pairs(marks.unfused).map((pair, i) => (
        <g key={`${i}`}>{line('unfused', [pair.from, pair.to])}</g>
      ))}
    </>
  );
}
