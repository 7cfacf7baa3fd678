import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { evidence } from '../../shared/evidenceWords';
import { asLoading, Loaded } from '../../shared/Loaded';
import { moment } from '../../shared/time';
import { type Kind, useUnits } from '../../shared/units';
import { gases, joints, metals, positions, processes, verdicts, wireName } from '../../shared/words';
import { useSay } from '../../shared/words/useSay';
import { BeadGlyph } from '../judging/BeadGlyph';
import { VerdictMark } from '../judging/VerdictMark';
import css from './beside.module.css';
import { EvenPicture } from './EvenPicture';
import { progressQueries } from './queries';
import { type Across, useOneScale } from './useOneScale';

type Bead = Schemas['BesideBead'];
type Field = Schemas['BesideField'];

/** Two beads of any time, drawn and lit the same, and what changed from the one to the other. */
export function BesideBeads({ one, other }: { one: string; other: string }) {
  const pair = useQuery(progressQueries.beside(one, other));
  return (
    <Loaded of={asLoading(pair)} what="the two beads">
      {({ earlier, later, changed }) => (
        <div className="stack">
          <Sides earlier={earlier} later={later} />
          <Changes earlier={earlier} later={later} changed={changed} />
        </div>
      )}
    </Loaded>
  );
}

function Sides({ earlier, later }: { earlier: Bead; later: Bead }) {
  const scale = useOneScale(earlier.id, later.id);
  return (
    <div className="two-columns even">
      {(
        [
          ['Earlier', earlier],
          ['Later', later],
        ] as const
      ).map(([name, bead]) => (
        <Side key={name} bead={bead} name={name} across={scale.of(bead.id)} onAcross={scale.tell(bead.id)} />
      ))}
    </div>
  );
}

function Side(props: { bead: Bead; name: string; across: Across | null; onAcross: (mm: number) => void }) {
  const { bead, name, across, onAcross } = props;
  const title = `${name}: bead ${bead.number}, ${verdicts[bead.verdict]}`;
  return (
    <section className="panel stack" aria-label={name}>
      <h2>
        {moment(bead.at)} <VerdictMark verdict={bead.verdict} />
      </h2>
      <BeadGlyph shape={bead.shape} joint={bead.shape.joint} title={title} />
      {bead.pictureId && (
        <EvenPicture
          id={bead.pictureId}
          alt={title}
          pixelsPerMm={bead.pixelsPerMm ?? null}
          onAcross={onAcross}
          across={across}
        />
      )}
      <Link to={`/beads/${bead.id}`}>The bead, and why</Link>
    </section>
  );
}

const fieldNames: Record<Field, string> = {
  process: 'Process',
  metal: 'Metal',
  thickness: 'Thickness',
  joint: 'Joint',
  position: 'Position',
  machine: 'Machine',
  wire: 'Wire',
  gas: 'Gas',
  wireFeed: 'Wire feed',
  volts: 'Volts',
  amps: 'Amps',
  stickOut: 'Stick-out',
  sound: evidence.sound.title,
  profile: evidence.profile.title,
  toes: evidence.toes.title,
  tint: evidence.tint.title,
  spatter: evidence.spatter.title,
  ripple: evidence.ripple.title,
  penetration: evidence.penetration.title,
  beadSize: 'Bead size',
  cause: 'What went wrong',
  verdict: 'Verdict',
};

type Seen = 'sound' | 'profile' | 'toes' | 'tint' | 'spatter' | 'ripple' | 'penetration';

const named = (words: Record<string, string>, key: string | null | undefined) =>
  key == null ? '' : (words[key] ?? '');

/** Each field in the reader's words and units; empty where it was not looked at. */
function useFieldWords(): Record<Field, (bead: Bead) => string> {
  const { show } = useUnits();
  const say = useSay();
  const number = (kind: Kind, value: number | null | undefined) => (value == null ? '' : show(kind, value));
  const seen = (key: Seen) => (bead: Bead) => named(evidence[key].words, bead.evidence[key]);
  return {
    process: ({ job }) => named(processes, job.process),
    metal: ({ job }) => named(metals, job.metal),
    thickness: ({ job }) => number('length', job.thickness.valueMm),
    joint: ({ job }) => joints[job.joint],
    position: ({ job }) => positions[job.position],
    machine: ({ machineName }) => machineName,
    wire: ({ job }) => (job.wire ? wireName(job.wire) : 'none'),
    gas: ({ job }) => named(gases, job.gas),
    wireFeed: ({ wireFeedMPerMin }) => number('wireFeed', wireFeedMPerMin),
    volts: ({ volts }) => number('volts', volts),
    amps: ({ amps }) => number('amps', amps),
    stickOut: ({ evidence: { stickOutMm } }) => number('length', stickOutMm),
    sound: seen('sound'),
    profile: seen('profile'),
    toes: seen('toes'),
    tint: seen('tint'),
    spatter: seen('spatter'),
    ripple: seen('ripple'),
    penetration: seen('penetration'),
    beadSize: ({ evidence: { beadSizeMm } }) => number('length', beadSizeMm),
    cause: ({ cause }) => say(cause),
    verdict: ({ verdict }) => verdicts[verdict],
  };
}

function Changes(props: { earlier: Bead; later: Bead; changed: Field[] }) {
  const { earlier, later, changed } = props;
  const words = useFieldWords();
  const same = (Object.keys(fieldNames) as Field[]).filter(
    (field) => !changed.includes(field) && words[field](earlier) !== '' && words[field](later) !== '',
  );
  return (
    <section className="panel stack" aria-label="What changed">
      <h2>What changed</h2>
      {changed.length === 0 && <p>Nothing that was noted.</p>}
      <table className={css.changes}>
        <thead>
          <tr>
            <th scope="col">What</th>
            <th scope="col">Earlier</th>
            <th scope="col">Later</th>
          </tr>
        </thead>
        <tbody>
          {changed.map((field) => (
            <tr key={field}>
              <th scope="row">{fieldNames[field]}</th>
              <td>{words[field](earlier) || 'nothing'}</td>
              <td>{words[field](later) || 'nothing'}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {same.length > 0 && (
        <p className="quiet">
          The same:{' '}
          {same.map((field) => `${fieldNames[field].toLowerCase()} ${words[field](later)}`).join('; ')}.
        </p>
      )}
    </section>
  );
}
