import { useRef } from 'react';
import type { Schemas } from '../../shared/api/client';
import css from './macro.module.css';
import { type Marks, order, pairs, type Point } from './sectionMarks';
import type { Marking } from './useMarking';

// Of the picture's width, for the points that are dragged.
const handleShare = 1 / 110;

/** The picture of a section with its marks; a tap marks, a mark can be dragged. */
export function MarkedSection({ picture, marking }: { picture: Schemas['Picture']; marking: Marking }) {
  const { marks, mode, held } = marking;
  const svg = useRef<SVGSVGElement>(null);
  const r = picture.width * handleShare;
  const at = (event: { clientX: number; clientY: number }): Point => {
    const matrix = svg.current?.getScreenCTM()?.inverse();
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix);
    return {
      x: Math.min(picture.width, Math.max(0, point.x)),
      y: Math.min(picture.height, Math.max(0, point.y)),
    };
  };
  return (
    <svg
      ref={svg}
      className={css.macroPicture}
      viewBox={`0 0 ${picture.width} ${picture.height}`}
      role="img"
      aria-label="The section; tap to mark"
      onPointerDown={(event) => {
        if (!(event.target instanceof SVGCircleElement)) marking.place(at(event));
      }}
      onPointerMove={(event) => marking.drag(at(event))}
      onPointerUp={marking.release}
    >
      <image href={`/api/pictures/${picture.id}`} width={picture.width} height={picture.height} />
      <Lines marks={marks} width={r / 3.2} />
      {order.flatMap((one) =>
        marks[one].map((point, index) => (
          <circle
            // The points of one kind stand in their order.
            key={`${one}${index}`}
            className={held?.mode === one && held.index === index ? `${css.handle} ${css.held}` : css.handle}
            data-kind={one === 'root' ? 'toes' : one}
            cx={point.x}
            cy={point.y}
            r={r}
            strokeWidth={r / 3}
            // Only what is being marked can be dragged: the fusion line begins on the toes.
            pointerEvents={one === mode ? 'auto' : 'none'}
            onPointerDown={(event) => {
              svg.current?.setPointerCapture(event.pointerId);
              marking.hold(one, index);
            }}
          />
        )),
      )}
      {marks.root[0] && (
        <text x={marks.root[0].x + r * 1.4} y={marks.root[0].y + r * 2.6} fontSize={r * 2.4}>
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
