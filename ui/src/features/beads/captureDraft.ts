import type { Schemas } from '../../shared/api/client';
import { newId } from '../../shared/newId';
import { type EvidenceDraft, nothingNoted } from './evidenceDraft';
import type { SettingsDraft } from './SettingsUsed';
import type { Used } from './SettingUsed';

/** A step of a trial that the next bead is laid for. */
export interface Laying {
  trialId: string;
  step: Schemas['TrialStep'];
}

/** A bead not yet recorded; it has its id already, so that a double tap or a retry makes one bead. */
export interface Draft extends SettingsDraft {
  id: string;
  freshPiece: boolean;
  noted: EvidenceDraft;
}

/** The place in its trial of a bead that is sent; null outside one. */
export const placeOf = (laying: Laying | undefined, { freshPiece }: Draft): Schemas['TrialPlace'] | null =>
  laying ? { trialId: laying.trialId, step: laying.step.number, freshPiece } : null;

/** Nothing seen yet; the controls as the trial wants them, else as last advised, as last used, as the sheet says. */
export function freshDraft(
  sheet: Schemas['Sheet'],
  last: Schemas['Bead'] | undefined,
  step: Schemas['TrialStep'] | undefined,
): Draft {
  const next = step ?? last?.judgement.next;
  const before = step ? undefined : last;
  const mark = (...marks: (number | null | undefined)[]): Used => ({
    by: 'mark',
    value: marks.find((one) => one !== null && one !== undefined) ?? '',
  });
  return {
    id: newId(),
    wire: mark(next?.wireMark, before?.wireMark, sheet.pair?.marks?.wire.mark),
    volt: mark(next?.voltMark, before?.voltMark, sheet.pair?.marks?.volt.mark),
    amp: mark(next?.ampMark, before?.ampMark, sheet.tig?.mark?.mark),
    freshPiece: true,
    noted: nothingNoted,
  };
}
