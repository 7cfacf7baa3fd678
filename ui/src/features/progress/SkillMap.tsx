import { Fragment } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { joints, positions, processes, verdicts } from '../../shared/words';
import { useSay } from '../../shared/words/useSay';
import { BeadGlyph } from '../judging/BeadGlyph';
import { isSame, rowsOf } from './kinds';
import css from './progress.module.css';
import { StateMark } from './StateMark';

type Cell = Schemas['SkillCell'];
type Kind = Schemas['KindOfWork'];

/** What somebody can weld: process and joint down, position across; the chosen one is told in full below. */
export function SkillMap(props: { cells: Cell[]; chosen: Kind | undefined; onChoose: (kind: Kind) => void }) {
  const { rows, columns } = rowsOf(props.cells.map((cell) => cell.kind));
  return (
    <div className={css.scroll}>
      <table className={css.map} aria-label="Skill map">
        <thead>
          <tr>
            <th scope="col">Joint</th>
            {columns.map((position) => (
              <th key={position} scope="col">
                {positions[position]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ process, joint, first }) => (
            <Fragment key={`${process} ${joint}`}>
              {first && (
                <tr>
                  <th scope="rowgroup" colSpan={columns.length + 1} className={css.process}>
                    {processes[process]}
                  </th>
                </tr>
              )}
              <tr>
                <th scope="row">{joints[joint]}</th>
                {columns.map((position) => {
                  const kind = { process, joint, position };
                  const cell = props.cells.find((one) => isSame(one.kind, kind));
                  return (
                    <td key={position}>
                      {cell && (
                        <CellKey
                          cell={cell}
                          chosen={isSame(props.chosen, kind)}
                          onChoose={() => props.onChoose(kind)}
                        />
                      )}
                    </td>
                  );
                })}
              </tr>
            </Fragment>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function CellKey({ cell, chosen, onChoose }: { cell: Cell; chosen: boolean; onChoose: () => void }) {
  const say = useSay();
  const { joint } = cell.kind;
  return (
    <button type="button" className={css.cell} aria-pressed={chosen} onClick={onChoose}>
      <StateMark state={cell.state} />
      <Interval chance={cell.chance} />
      <span className="quiet">{say(cell.did)}</span>
      <span className={css.small}>
        {cell.best && <BeadGlyph shape={cell.best.shape} joint={joint} title="The best" />}
        {cell.newest && cell.newest.id !== cell.best?.id && (
          <BeadGlyph shape={cell.newest.shape} joint={joint} title="The newest" />
        )}
      </span>
    </button>
  );
}

/** A chance as the stretch it lies in; nothing where nothing is known. */
export function Interval({ chance }: { chance: Schemas['Chance'] | null }) {
  return (
    <svg viewBox="0 0 100 10" className={css.interval} aria-hidden="true" data-known={chance !== null}>
      <path d="M0 5H100" />
      {chance && (
        <>
          <rect x={chance.low * 100} width={(chance.high - chance.low) * 100} y={2} height={6} />
          <circle cx={chance.likely * 100} cy={5} r={3.4} />
        </>
      )}
    </svg>
  );
}

/** One kind of work in words, with its best and its newest bead. */
export function SkillInFull({ cell }: { cell: Cell }) {
  const say = useSay();
  const { process, joint, position } = cell.kind;
  return (
    <section className="panel stack" aria-label="Chosen work">
      <h2>
        {joints[joint]}, {positions[position].toLowerCase()}{' '}
        <span className="quiet">{processes[process]}</span>
      </h2>
      <p>
        <StateMark state={cell.state} />
      </p>
      <p>
        {say(cell.did)}; {say(cell.next)}.
      </p>
      <div className={css.pair}>
        <Glyph title="Best" bead={cell.best} joint={joint} />
        {cell.newest?.id !== cell.best?.id && <Glyph title="Newest" bead={cell.newest} joint={joint} />}
      </div>
      {cell.best && cell.newest && cell.newest.id !== cell.best.id && (
        <Link to={`/beads/${cell.best.id}/beside/${cell.newest.id}`}>What changed between the two</Link>
      )}
    </section>
  );
}

function Glyph(props: { title: string; bead: Schemas['BeadGlyph'] | null; joint: Schemas['Joint'] }) {
  const { title, bead, joint } = props;
  if (!bead) return null;
  return (
    <Link to={`/beads/${bead.id}`} className={css.glyph}>
      {title}: {verdicts[bead.verdict].toLowerCase()}
      <BeadGlyph shape={bead.shape} joint={joint} title={`The ${title.toLowerCase()} bead`} />
    </Link>
  );
}
