import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import type { Schemas } from '../shared/api/client';
import { asLoading, Loaded } from '../shared/Loaded';
import { Page } from '../shared/page/Page';
import { moment } from '../shared/time';
import { useBeadFile } from '../features/beads/useBeads';
import { FaceMeasures } from '../features/looking/FaceMeasures';
import { eyeQueries } from '../features/looking/queries';
import { EvenPicture } from '../features/progress/EvenPicture';
import { type Across, useOneScale } from '../features/progress/useOneScale';

/** Two pictures of one bead side by side, as before and after brushing: at one scale where both were measured. */
export function PicturesBesidePage() {
  const { beadId = '', pictureId = '', otherId = '' } = useParams();
  const file = useBeadFile(beadId);
  const scale = useOneScale(pictureId, otherId);
  const back = { to: `/beads/${beadId}`, label: 'Back to the bead' };
  return (
    <Loaded of={asLoading(file)} what="these pictures">
      {({ bead, pictures }) => {
        const two = pictures.filter(({ id }) => id === pictureId || id === otherId);
        return (
          <Page title={`Bead ${bead.number}, twice`} under="As it was, and as it was later" back={back}>
            {two.length === 2 ? (
              <div className="two-columns even">
                {two.map((picture, nth) => (
                  <Side
                    key={picture.id}
                    picture={picture}
                    name={nth === 0 ? 'Before' : 'After'}
                    across={scale.of(picture.id)}
                    onAcross={scale.tell(picture.id)}
                  />
                ))}
              </div>
            ) : (
              <div className="panel empty">
                <p>One of these pictures was withdrawn.</p>
              </div>
            )}
          </Page>
        );
      }}
    </Loaded>
  );
}

function Side(props: {
  picture: Schemas['Picture'];
  name: string;
  across: Across | null;
  onAcross: (mm: number) => void;
}) {
  const { picture, name, across, onAcross } = props;
  const kept = useQuery(eyeQueries.standing(picture.id));
  return (
    <section className="panel stack" aria-label={name}>
      <h2>
        {name} <span className="quiet">{moment(picture.addedAt)}</span>
      </h2>
      <Loaded of={asLoading(kept)} what="what was measured">
        {(face) => (
          <>
            <EvenPicture
              id={picture.id}
              alt={name}
              pixelsPerMm={face?.pixelsPerMm ?? null}
              onAcross={onAcross}
              across={across}
            />
            {face ? (
              <FaceMeasures seen={face} />
            ) : (
              <p className="quiet">Not measured: measure both, and they are shown at one scale.</p>
            )}
          </>
        )}
      </Loaded>
    </section>
  );
}
