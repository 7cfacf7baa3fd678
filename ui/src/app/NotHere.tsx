import { Button } from '@mantine/core';
import { Link } from 'react-router';
import { Page } from '../shared/page/Page';

/** For an address that leads nowhere. */
export const NotHere = () => (
  <Page title="No such page">
    <div className="panel empty">
      <p>There is no page at this address.</p>
      <Button component={Link} to="/" size="lg">
        Back to the start
      </Button>
    </div>
  </Page>
);
