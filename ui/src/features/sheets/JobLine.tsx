import type { Schemas } from '../../shared/api/client';
import { gases, joints, metals, polarities, positions, wireName } from '../../shared/words';
import { useSay } from '../../shared/words/useSay';

/** A job in a line: plate, joint, position. */
export function jobLine(
  job: Pick<Schemas['AskedJob'], 'thickness' | 'otherThickness' | 'metal' | 'joint' | 'position'>,
): string {
  const other = job.otherThickness ? ` and ${job.otherThickness.typed}` : '';
  const metal = !job.metal || job.metal === 'mildSteel' ? '' : ` ${metals[job.metal].toLowerCase()}`;
  // A T and a V stay as they are.
  const joint = joints[job.joint].replace(/^[A-Z](?=[a-z])/, (first) => first.toLowerCase());
  return `${job.thickness.typed}${other}${metal} ${joint}, ${positions[job.position].toLowerCase()}`;
}

/** What a job is welded with: process, wire, gas, polarity. */
export function WithLine({ sheet }: { sheet: Schemas['Sheet'] }) {
  const say = useSay();
  return [
    say(sheet.processName),
    sheet.job.wire ? `${wireName(sheet.job.wire)} wire` : null,
    gases[sheet.job.gas ?? 'none'],
    polarities[sheet.polarity],
  ]
    .filter(Boolean)
    .join(' · ');
}
