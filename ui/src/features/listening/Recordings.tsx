import type { Schemas } from '../../shared/api/client';
import { AddRecording } from './AddRecording';
import { RecordingCard } from './RecordingCard';

/** A bead's recordings: what was heard in them, and ways to add one. */
export function Recordings(props: { file: Schemas['BeadFile']; mayWrite: boolean }) {
  const { bead, recordings, sheet, body } = props.file;
  const { mayWrite } = props;
  const { pair } = body ?? sheet.body;
  return (
    <div className="stack">
      <h3>Recordings</h3>
      {recordings.length === 0 && !mayWrite && <p className="quiet">None.</p>}
      {recordings.map((recording, i) => (
        <RecordingCard
          key={recording.id}
          recording={recording}
          bead={bead}
          pair={i === 0 ? pair : null}
          mayWrite={mayWrite}
        />
      ))}
      {mayWrite && <AddRecording beadId={bead.id} boothId={sheet.boothId} />}
    </div>
  );
}
