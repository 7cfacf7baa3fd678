import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { LoadTrouble } from '../../shared/Loaded';
import { counted } from '../../shared/words';
import { beadQueries } from './queries';

/** That beads wait for an instructor to say where they belong; nothing where none do. */
export default function BeadsToPlace() {
  const unplaced = useQuery(beadQueries.unplaced());
  if (!unplaced.data) return <LoadTrouble of={unplaced} what="the beads to place" />;
  const { length } = unplaced.data;
  return length === 0 ? null : (
    <p role="status">
      <Button component={Link} to="/students/unplaced" size="lg">
        {counted(length, 'bead')} to place
      </Button>
    </p>
  );
}
