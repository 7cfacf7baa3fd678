import { Button, NumberInput } from '@mantine/core';
import { useHotkeys } from '@mantine/hooks';
import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { answer, api, type Schemas } from '../shared/api/client';
import { newId } from '../shared/newId';
import { asLoading, Loaded } from '../shared/Loaded';
import { Page } from '../shared/page/Page';
import { useTypedUnits } from '../shared/units';
import { useBeadFile } from '../features/beads/useBeads';
import { Line } from '../shared/words/useSay';
import css from './macro.module.css';

interface Point {
  x: number;
  y: number;
}

/** What is marked, in the order it is done; how many points at the most. */
const modes = {
  scale: { title: 'Scale', hint: 'Both ends of a known length', most: 2 },
  root: { title: 'Root', hint: 'Where the plates met', most: 1 },
  toes: { title: 'Toes', hint: 'Lower plate first, then the upper', most: 2 },
  face: { title: 'Face', hint: 'Its highest point, more if you like', most: 40 },
  fusion: { title: 'Fusion line', hint: 'Along it, toe to toe', most: 80 },
  unfused: { title: 'Unfused', hint: 'Both ends of each dark line', most: 40 },
} as const;

type Mode = keyof typeof modes;
type Marks = Record<Mode, Point[]>;

const order = Object.keys(modes) as Mode[];
const none: Marks = { scale: [], root: [], toes: [], face: [], fusion: [], unfused: [] };

/** Measures a section on its picture: the scale once, then root, toes, face and fusion line. */
export function MacroPage() {
  const { beadId = '', pictureId = '' } = useParams();
  const file = useBeadFile(beadId);
  return (
    <Loaded of={asLoading(file)} what="this picture">
      {({ bead, pictures }) => {
        const picture = pictures.find((one) => one.id === pictureId);
        return picture ? (
          <Marking key={picture.id} picture={picture} bead={bead} />
        ) : (
          <Page title="Section" back={{ to: `/beads/${beadId}`, label: 'Back to the bead' }}>
            <div className="panel empty">
              <p>This picture was withdrawn.</p>
            </div>
          </Page>
        );
      }}
    </Loaded>
  );
}

function Marking(props: { picture: Schemas['Picture']; bead: Schemas['Bead'] }) {
  const { picture } = props;
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [marks, setMarks] = useState<Marks>(() => fromMarks(picture.marks));
  const [before, setBefore] = useState<Marks[]>([]);
  const [mode, setMode] = useState<Mode>(
    () => order.find((one) => fromMarks(picture.marks)[one].length === 0) ?? 'scale',
  );
  const [typed, setTyped] = useState<number | string | null>(null);
  const { per, unit } = useTypedUnits(typed !== null);
  const scaleMm = picture.marks?.scaleLengthMm ?? 10;
  const length = typed ?? Number((scaleMm * per('length')).toFixed(4));
  const [held, setHeld] = useState<{ mode: Mode; index: number }>();
  const [id] = useState(newId);
  const svg = useRef<SVGSVGElement>(null);

  const put = (next: Marks) => {
    setBefore((all) => [...all.slice(-50), marks]);
    setMarks(next);
  };
  const undo = () => {
    const last = before.at(-1);
    if (!last) return;
    setBefore((all) => all.slice(0, -1));
    setMarks(last);
  };
  const at = (event: { clientX: number; clientY: number }): Point => {
    const matrix = svg.current?.getScreenCTM()?.inverse();
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix);
    return {
      x: Math.min(picture.width, Math.max(0, point.x)),
      y: Math.min(picture.height, Math.max(0, point.y)),
    };
  };
  const place = (point: Point) => {
    const own = marks[mode];
    const { most } = modes[mode];
    const next = own.length < most ? [...own, point] : [...own.slice(0, -1), point];
    put({ ...marks, [mode]: next });
    if ((mode === 'scale' || mode === 'toes') && next.length === 2 && own.length < 2) forward();
    if (mode === 'root' && own.length === 0) forward();
  };
  const forward = () => setMode(order[Math.min(order.indexOf(mode) + 1, order.length - 1)] ?? mode);
  const nudge = (dx: number, dy: number) => () => {
    const own = marks[mode];
    const last = own.at(-1);
    if (!last) return;
    put({ ...marks, [mode]: [...own.slice(0, -1), { x: last.x + dx, y: last.y + dy }] });
  };
  useHotkeys([
    ['mod+Z', undo],
    ['ArrowLeft', nudge(-1, 0)],
    ['ArrowRight', nudge(1, 0)],
    ['ArrowUp', nudge(0, -1)],
    ['ArrowDown', nudge(0, 1)],
    ['N', forward],
    ['P', () => setMode(order[Math.max(order.indexOf(mode) - 1, 0)] ?? mode)],
  ]);

  // A length nobody touched is sent as it is, not as its rounded text.
  const sent = toMarks(marks, typed === null ? scaleMm : Number(typed) / per('length'));
  const measured = useQuery({
    queryKey: ['measure', picture.id, sent],
    queryFn: () =>
      answer(
        api.POST('/api/pictures/{pictureId}/measure', {
          params: { path: { pictureId: picture.id } },
          body: sent as Schemas['MacroMarks'],
        }),
      ),
    enabled: sent !== null && held === undefined,
    retry: false,
    placeholderData: keepPreviousData,
  });
  const keep = useMutation({
    mutationFn: () =>
      answer(
        api.PUT('/api/pictures/{pictureId}/marks/{marksId}', {
          params: { path: { pictureId: picture.id, marksId: id } },
          body: sent as Schemas['MacroMarks'],
        }),
      ),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ['room'] });
      await navigate(-1);
    },
  });
  const wrong = keep.error ?? measured.error;
  const r = picture.width / 110;
  const measures = sent ? measured.data : undefined;
  return (
    <Page
      title={`Section of bead ${props.bead.number}`}
      under="Mark what you see; N and P choose the next or the one before, arrows move the last point, Ctrl Z takes it back"
      back={{ to: `/beads/${props.bead.id}`, label: 'Back to the bead' }}
    >
      <div className={css.macroPage}>
        <svg
          ref={svg}
          className={css.macroPicture}
          viewBox={`0 0 ${picture.width} ${picture.height}`}
          role="img"
          aria-label="The section; tap to mark"
          onPointerDown={(event) => {
            if (event.target instanceof SVGCircleElement) return;
            place(at(event));
          }}
          onPointerMove={(event) => {
            if (!held) return;
            const own = marks[held.mode].map((point, i) => (i === held.index ? at(event) : point));
            setMarks({ ...marks, [held.mode]: own });
          }}
          onPointerUp={() => setHeld(undefined)}
        >
          <image href={`/api/pictures/${picture.id}`} width={picture.width} height={picture.height} />
          <Lines marks={marks} width={r / 3.2} />
          {order.flatMap((one) =>
            marks[one].map((point, index) => (
              <circle
                // The points of one kind stand in their order.
                key={`${one}${index}`}
                className={
                  held?.mode === one && held.index === index ? `${css.handle} ${css.held}` : css.handle
                }
                data-kind={one === 'root' ? 'toes' : one}
                cx={point.x}
                cy={point.y}
                r={r}
                strokeWidth={r / 3}
                // Only what is being marked can be dragged: the fusion line begins on the toes.
                pointerEvents={one === mode ? 'auto' : 'none'}
                onPointerDown={(event) => {
                  svg.current?.setPointerCapture(event.pointerId);
                  setBefore((all) => [...all.slice(-50), marks]);
                  setHeld({ mode: one, index });
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
        <div className="stack">
          <section className={`panel ${css.macroModes}`} aria-label="Mark">
            {order.map((one, i) => (
              <button key={one} type="button" aria-pressed={mode === one} onClick={() => setMode(one)}>
                <span>
                  {i + 1}. {modes[one].title} <span className="quiet">{modes[one].hint}</span>
                </span>
                <span>{marks[one].length > 0 ? marks[one].length : ''}</span>
              </button>
            ))}
            <NumberInput
              label="The scale is this long"
              suffix={` ${unit('length')}`}
              value={length}
              onChange={setTyped}
            />
            <div className="row">
              <Button variant="default" disabled={before.length === 0} onClick={undo}>
                Undo
              </Button>
              <Button
                variant="default"
                disabled={marks[mode].length === 0}
                onClick={() => put({ ...marks, [mode]: [] })}
              >
                Clear {modes[mode].title.toLowerCase()}
              </Button>
            </div>
          </section>
          <section className="panel stack" aria-label="Measured">
            <h2>Measured</h2>
            {measures ? (
              <dl className={css.macroMeasures}>
                {(
                  [
                    ['Lower leg', measures.lowerLegMm],
                    ['Upper leg', measures.upperLegMm],
                    ['Throat', measures.throatMm],
                    ['Width', measures.widthMm],
                    ['Reinforcement', measures.reinforcementMm],
                    ['Root penetration', measures.rootPenetrationMm],
                    ['Into the lower plate', measures.lowerPenetrationMm],
                    ['Into the upper plate', measures.upperPenetrationMm],
                    ['Unfused', measures.unfusedLengthMm],
                  ] as const
                )
                  .filter(([, mm]) => mm !== null)
                  .map(([name, mm]) => (
                    <div key={name} style={{ display: 'contents' }}>
                      <dt>{name}</dt>
                      <dd>
                        {(mm ?? 0).toFixed(1)} mm
                        {unit('length') === 'in' && `, ${((mm ?? 0) / 25.4).toFixed(3)} in`}
                      </dd>
                    </div>
                  ))}
              </dl>
            ) : (
              <p className="quiet">
                {sent
                  ? 'Measuring …'
                  : `Still to mark: ${order
                      .slice(0, 4)
                      .filter((one) => marks[one].length < (one === 'scale' || one === 'toes' ? 2 : 1))
                      .map((one) => modes[one].title.toLowerCase())
                      .join(', ')}.`}
              </p>
            )}
            {wrong && (
              <p className="field-error" role="alert">
                <Line error={wrong} otherwise="Something went wrong on this page." />
              </p>
            )}
            <Button size="lg" disabled={sent === null} loading={keep.isPending} onClick={() => keep.mutate()}>
              Keep and judge anew
            </Button>
          </section>
        </div>
      </div>
    </Page>
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

const pairs = (points: Point[]) =>
  Array.from({ length: Math.floor(points.length / 2) }, (_, i) => ({
    from: points[2 * i] as Point,
    to: points[2 * i + 1] as Point,
  }));

const whole = (point: Schemas['Point'] | undefined): Point => ({ x: point?.x ?? 0, y: point?.y ?? 0 });

function fromMarks(kept: Schemas['MacroMarks'] | null | undefined): Marks {
  if (!kept) return none;
  return {
    scale: [kept.scaleFrom, kept.scaleTo].map(whole),
    root: [whole(kept.root)],
    toes: [kept.lowerToe, kept.upperToe].map(whole),
    face: kept.face.map(whole),
    fusion: kept.fusionLine.map(whole),
    unfused: kept.unfused.flatMap((line) => [whole(line.from), whole(line.to)]),
  };
}

/** The marks as the server takes them; null while something needed is missing. */
function toMarks(marks: Marks, scaleLengthMm: number): Schemas['MacroMarks'] | null {
  const [scaleFrom, scaleTo] = marks.scale;
  const [root] = marks.root;
  const [lowerToe, upperToe] = marks.toes;
  if (!scaleFrom || !scaleTo || !root || !lowerToe || !upperToe || marks.face.length === 0) return null;
  return {
    scaleFrom,
    scaleTo,
    scaleLengthMm,
    root,
    lowerToe,
    upperToe,
    face: marks.face,
    fusionLine: marks.fusion,
    unfused: pairs(marks.unfused),
  };
}
