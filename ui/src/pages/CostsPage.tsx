import { PricesForm } from '../features/costs/PricesForm';
import { RoomCosts } from '../features/costs/RoomCosts';
import { Page } from '../shared/page/Page';

/** What machines, wires and gases cost and give. */
export const CostsPage = () => (
  <Page
    title="Costs"
    under="What machines, wires and gases cost and give"
    back={{ to: '/machines', label: 'Back to the machines' }}
  >
    <div className="stack">
      <RoomCosts />
      <PricesForm />
    </div>
  </Page>
);
