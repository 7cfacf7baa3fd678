import { Loader } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../shared/api/client';
import { ShowMore } from '../shared/ShowMore';
import { Trouble } from '../shared/Trouble';
import { usePages } from '../shared/usePages';
import { evidence } from '../shared/words';
import { useMe } from '../shared/useMe';
import { deviations, drillKinds } from '../features/practice/drillWords';
import { PracticeTabs } from './PracticeTabs';
import { useSay } from '../shared/words/useSay';

/** Scores by what is taken for what: a student's own, or for an instructor everybody's. */
export function ScoresPage() {
  const me = useMe().data;
  return (
    <>
      <PracticeTabs here="scores" />
      {me?.role === 'instructor' ? <Everybody /> : <Mine />}
    </>
  );
}

function Mine() {
  const mine = useQuery({
    queryKey: ['practice', 'mine'],
    queryFn: () => answer(api.GET('/api/practice/mine')),
  });
  if (mine.isLoadingError) return <Trouble error={mine.error} again={() => mine.refetch()} />;
  if (!mine.data) return <Loader aria-label="Loading your scores" />;
  return <Scores name="My scores" progress={mine.data} />;
}

function Everybody() {
  const all = usePages<Schemas['NamedProgress'], string>(['practice', 'students'], (after, signal) =>
    answer(api.GET('/api/practice/students', { params: { query: { after } }, signal })),
  );
  if (all.isLoadingError) return <Trouble error={all.error} again={all.again} />;
  if (!all.items) return <Loader aria-label="Loading the scores" />;
  const tried = all.items.filter((one) => one.progress.kinds.some((kind) => kind.answered > 0));
  const others = all.items.filter((one) => !tried.includes(one)).map((one) => one.person.name);
  return (
    <div className="stack">
      {tried.map((one) => (
        <Scores key={one.person.id} name={one.person.name} progress={one.progress} />
      ))}
      {others.length > 0 && <p className="quiet">Not in the practice room yet: {others.join(', ')}.</p>}
      <ShowMore more={all.more} coming={all.coming} what="students" />
    </div>
  );
}

function Scores({ name, progress }: { name: string; progress: Schemas['Progress'] }) {
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
    <div className="table-scroll">
      <table className="mix-ups" aria-label={props.title}>
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
                  <td key={said} className={times === 0 ? '' : was === said ? 'hit' : 'miss'}>
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
