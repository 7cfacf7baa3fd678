import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../shared/api/client';
import { asLoading, Loaded } from '../shared/Loaded';
import { ShowMore } from '../shared/ShowMore';
import { usePages } from '../shared/usePages';
import { evidence } from '../shared/words';
import { useMe } from '../shared/useMe';
import { deviations, drillKinds } from '../features/practice/drillWords';
import { practiceQueries } from '../features/practice/queries';
import { useSay } from '../shared/words/useSay';
import { PracticeFrame } from './PracticeFrame';
import css from './scores.module.css';

/** Scores by what is taken for what: a student's own, or for an instructor everybody's. */
export function ScoresPage() {
  const me = useMe().data;
  return <PracticeFrame part="scores">{me?.role === 'instructor' ? <Everybody /> : <Mine />}</PracticeFrame>;
}

function Mine() {
  const mine = asLoading(useQuery(practiceQueries.mine()));
  return (
    <Loaded of={mine} what="your scores">
      {(progress) => <Scores name="My scores" progress={progress} />}
    </Loaded>
  );
}

function Everybody() {
  const all = usePages(practiceQueries.students());
  return (
    <Loaded of={all} what="the scores">
      {(everybody) => (
        <>
          <ScoresOf everybody={everybody} />
          <ShowMore more={all.more} coming={all.coming} what="students" />
        </>
      )}
    </Loaded>
  );
}

function ScoresOf({ everybody }: { everybody: Schemas['NamedProgress'][] }) {
  const tried = everybody.filter((one) => one.progress.kinds.some((kind) => kind.answered > 0));
  const others = everybody.filter((one) => !tried.includes(one)).map((one) => one.person.name);
  return (
    <div className="stack">
      {tried.map((one) => (
        <Scores key={one.person.id} name={one.person.name} progress={one.progress} />
      ))}
      {others.length > 0 && <p className="quiet">Not in the practice room yet: {others.join(', ')}.</p>}
    </div>
  );
}

function Scores({ name, progress }: { name: string; progress: Schemas['DrillProgress'] }) {
  const say = useSay();
  const tried = progress.kinds.filter((kind) => kind.answered > 0);
  return (
    <section className="panel stack" aria-label={name}>
      <h2>{name}</h2>
      {tried.length === 0 && <p className="quiet">No drill answered yet.</p>}
      <p>
        {tried
          .map(
            (kind) =>
              `${drillKinds[kind.kind].name}: ${kind.right} of ${kind.answered} right, step ${kind.level + 1} of 5, ${kind.due} due`,
          )
          .join('; ')}
        {tried.length > 0 && '.'}
      </p>
      {progress.atTheBooth && (
        <p>
          <b>{say(progress.atTheBooth)}</b>
        </p>
      )}
      <div className="two-columns">
        <MixUps
          title="Heard as"
          words={evidence.sound.words}
          cells={progress.heard.map((one) => ({ was: one.was, said: one.heard, times: one.times }))}
        />
        <MixUps title="Taken for" words={deviations} cells={progress.taken} />
      </div>
    </section>
  );
}

/** What it was down, what it was taken for across. */
function MixUps<T extends string>(props: {
  title: string;
  words: Record<T, string>;
  cells: { was: T; said: T; times: number }[];
}) {
  const names = (Object.keys(props.words) as T[]).filter((name) =>
    props.cells.some((cell) => cell.was === name || cell.said === name),
  );
  if (names.length === 0) return null;
  return (
    <div className="scroll-x" role="group" aria-label={`${props.title}, table`} tabIndex={0}>
      <table className={css.mixUps} aria-label={props.title}>
        <thead>
          <tr>
            <th scope="col">it was ↓ {props.title.toLowerCase()} →</th>
            {names.map((name) => (
              <th key={name} scope="col">
                {props.words[name]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {names.map((was) => (
            <tr key={was}>
              <th scope="row">{props.words[was]}</th>
              {names.map((said) => {
                const times = props.cells.find((cell) => cell.was === was && cell.said === said)?.times ?? 0;
                return (
                  <td key={said} className={times === 0 ? '' : was === said ? css.hit : css.miss}>
                    {times === 0 ? '' : times}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
