import { useNavigate, useParams } from 'react-router';
import { newId } from '../shared/newId';
import { Page } from '../shared/page/Page';
import { useUpload } from '../shared/useUpload';
import { AimCamera } from '../features/looking/AimCamera';

/** Takes a picture of a bead's face with the card beside it, and goes on to measuring it. */
export function CameraPage() {
  const { beadId = '' } = useParams();
  const navigate = useNavigate();
  const { send, state } = useUpload('picture');
  const take = (file: File) => {
    const id = newId();
    send(
      { to: () => `/api/beads/${beadId}/pictures/face/${id}`, same: ['face', id], file },
      { onSuccess: () => void navigate(`/beads/${beadId}/face/${id}`, { replace: true }) },
    );
  };
  return (
    <Page
      title="Camera with the card"
      under="Card flat beside the bead, camera straight above, light from the side"
      back={{ to: `/beads/${beadId}`, label: 'Back to the bead' }}
    >
      <div className="panel stack">
        <AimCamera onPicture={take} onClose={() => void navigate(`/beads/${beadId}`)} />
        {state}
      </div>
    </Page>
  );
}
