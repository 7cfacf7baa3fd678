import { useParams } from 'react-router';
import { BesideBeads } from '../features/progress/BesideBeads';
import { Page } from '../shared/page/Page';

/** Two beads of any time side by side. */
export function BesidePage() {
  const { beadId = '', otherId = '' } = useParams();
  return (
    <Page
      title="Side by side"
      under="Two beads drawn the same, and what changed"
      back={{ to: `/beads/${beadId}`, label: 'Back to the bead' }}
    >
      <BesideBeads key={`${beadId} ${otherId}`} one={beadId} other={otherId} />
    </Page>
  );
}
