import type { Schemas } from '../../shared/api/client';
import { useUnits } from '../../shared/units';
import { gases } from '../../shared/words';
import { useSay } from '../../shared/words/useSay';

/** A number to aim at: what it is called, the name its reason goes by, how it reads. */
export interface Aim {
  label: string;
  of: string;
  big: string;
  small?: string | undefined;
}

/** What the machine shows while welding: at the sheet's stick-out, and at a long one. */
function useReadOut(): (reads: Schemas['AmpsAtStickOut'][]) => Aim[] {
  const { show } = useUnits();
  return ([near, far]) =>
    near && far
      ? [
          {
            label: 'Read-out shows',
            of: 'reads',
            big: show('amps', near.amps),
            small: `${show('amps', far.amps)} at ${show('length', far.stickOutMm)}`,
          },
        ]
      : [];
}

/** The numbers of a sheet beside its wire and volts, most used first. */
export function useAims(sheet: Schemas['Sheet']): Aim[] {
  const say = useSay();
  const { number, unit, show, timed } = useUnits();
  const { pair, tig, gasFlow } = sheet;
  const readOut = useReadOut();
  const span = (window: { lowMm: number; highMm: number }) =>
    `${number('length', window.lowMm)} to ${number('length', window.highMm)} ${unit('length')}`;
  const [workAngle, workAngleHow] = say(sheet.workAngle).split('° ');
  const aims: (Aim | false)[] = [
    { label: tig ? 'Amps' : 'Expected amps', of: 'amps', big: show('amps', sheet.amps) },
    {
      label: { leg: 'Leg', width: 'Bead width', hole: 'Hole' }[sheet.beadMeasure],
      of: 'beadSize',
      big: show('length', sheet.beadSize.aimMm),
      small: span(sheet.beadSize),
    },
    sheet.travelMmPerMin !== null && {
      label: 'Travel speed',
      of: 'travel',
      big: show('travel', sheet.travelMmPerMin),
      small: timed(sheet.travelMmPerMin),
    },
    sheet.plugSeconds !== null && {
      label: 'Arc time',
      of: 'plugSeconds',
      big: `${sheet.plugSeconds.toFixed(1)} s`,
    },
    {
      label: 'Passes',
      of: 'passes',
      big: String(sheet.passes.count),
      small: sheet.passes.count > 1 ? `in ${sheet.passes.layers} layers` : undefined,
    },
    pair !== null && {
      label: 'Stick-out',
      of: 'stickOut',
      big: show('length', pair.stickOut.aimMm),
      small: span(pair.stickOut),
    },
    ...readOut(pair?.reads ?? []),
    tig !== null && {
      label: 'Cup',
      of: 'cup',
      big: `No. ${tig.cup}`,
      small: `${((tig.cup * 25.4) / 16).toFixed(1)} mm bore`,
    },
    tig !== null && { label: 'Rod', of: 'filler', big: `${tig.fillerMm.toFixed(1)} mm` },
    tig !== null && {
      label: 'Post-flow',
      of: 'postFlowSeconds',
      big: `${tig.postFlowSeconds} s`,
      small: `${tig.preFlowSeconds} s pre-flow`,
    },
    tig?.balancePercent != null && {
      label: 'Balance on minus',
      of: 'balancePercent',
      big: `${tig.balancePercent} %`,
    },
    tig?.frequencyHz != null && { label: 'Frequency', of: 'frequencyHz', big: `${tig.frequencyHz} Hz` },
    gasFlow !== null && {
      label: 'Gas flow',
      of: 'gasFlow',
      big: `${number('gas', gasFlow.lowLPerMin)} to ${show('gas', gasFlow.highLPerMin)}`,
      small: gases[sheet.job.gas ?? 'none'],
    },
    {
      label: 'Lens shade',
      of: 'shadeLeast',
      big: `${sheet.shadeLeast} or darker`,
      small: sheet.shadeComfortable ? `comfortable ${sheet.shadeComfortable}` : undefined,
    },
    {
      label: 'Work angle',
      of: 'workAngle',
      big: `${workAngle}°`,
      small: workAngleHow,
    },
    {
      label: 'Travel angle',
      of: 'travelAngle',
      big: `${say(sheet.travelAngle).split('°')[0]}°`,
      small: 'off square',
    },
    sheet.heatInputEnKJPerMm !== null && {
      label: 'Heat, EN 1011-1',
      of: 'heatInputEn',
      big: show('heat', sheet.heatInputEnKJPerMm),
    },
    sheet.heatInputAwsKJPerMm !== null && {
      label: 'Heat, AWS D1.1',
      of: 'heatInputAws',
      big: show('heat', sheet.heatInputAwsKJPerMm),
    },
    {
      label: 'Metal laid down',
      of: 'deposit',
      big: `${sheet.passes.depositGPerM.toFixed(0)} g`,
      small: `${sheet.passes.fillerMPerM.toFixed(1)} m of ${tig ? 'rod' : 'wire'} ${sheet.plugSeconds === null ? 'a metre' : 'a plug'}`,
    },
    sheet.dutyPercent !== null && {
      label: 'Duty here',
      of: 'dutyPercent',
      big: `${sheet.dutyPercent.toFixed(0)} %`,
      small: `${(sheet.dutyPercent / 10).toFixed(1)} min in ten`,
    },
  ];
  return aims.filter((aim): aim is Aim => aim !== false);
}
