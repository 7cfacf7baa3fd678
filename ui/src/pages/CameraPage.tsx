import { useNavigate, useParams, useSearchParams } from 'react-router';
import { Choice } from '../shared/Choice';
import { newId } from '../shared/newId';
import { Page } from '../shared/page/Page';
import { useUpload } from '../shared/useUpload';
import { type AimedSide, aimedSides } from '../features/beads/sides';
import { AimCamera } from '../features/looking/AimCamera';
import { CardPanel } from '../features/looking/CardPanel';

/** Takes a picture of a bead's face or its back with the card beside it, and goes on to measuring it. */
export function CameraPage() {
  const { beadId = '' } = useParams();
  const navigate = useNavigate();
  const { send, state } = useUpload('picture');
  const [search, setSearch] = useSearchParams();
  const side: AimedSide = search.get('side') === 'back' ? 'back' : 'face';
  const take = (file: File) => {
    const id = newId();
    send(
      { to: () => `/api/beads/${beadId}/pictures/${side}/${id}`, same: [side, id], file },
      { onSuccess: () => void navigate(`/beads/${beadId}/${side}/${id}`, { replace: true }) },
    );
  };
  return (
    <Page
      title="Camera with the card"
      under="Card flat beside the bead, camera straight above, light from the side"
      back={{ to: `/beads/${beadId}`, label: 'Back to the bead' }}
    >
      <div className="stack">
        <div className="panel stack">
          <Choice
            title="What it shows"
            words={aimedSides}
            value={side}
            onChange={(to) => to && setSearch({ side: to }, { replace: true })}
          />
          <AimCamera onPicture={take} onClose={() => void navigate(`/beads/${beadId}`)} />
          {state}
        </div>
        <CardPanel />
      </div>
    </Page>
  );
}
