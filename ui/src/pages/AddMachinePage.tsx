import { useNavigate } from 'react-router';
import { AddMachine } from '../features/machines/AddMachine';
import { useNow } from '../features/sessions/useBench';
import { Loaded } from '../shared/Loaded';
import { Page } from '../shared/page/Page';

/** A new machine in a new booth. */
export function AddMachinePage() {
  const navigate = useNavigate();
  const now = useNow();
  return (
    <Page title="Add a machine" back={{ to: '/machines', label: 'Back to the machines' }}>
      <Loaded of={{ ...now, again: () => void now.refetch() }} what="the booths">
        {({ booths }) => (
          <AddMachine
            nextNumber={Math.max(0, ...booths.map((booth) => booth.number)) + 1}
            onAdded={() => void navigate('/machines')}
          />
        )}
      </Loaded>
    </Page>
  );
}
