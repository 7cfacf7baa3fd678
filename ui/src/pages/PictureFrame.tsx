import { useMutation, type UseQueryResult, useQueryClient } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import type { Schemas } from '../shared/api/client';
import { inRoom } from '../shared/live/changes';
import { asLoading, Loaded } from '../shared/Loaded';
import { newId } from '../shared/newId';
import { Page } from '../shared/page/Page';
import { useBeadFile } from '../features/beads/useBeads';

/** A picture of a bead, with what was kept of it. */
export interface PictureKept<T> {
  picture: Schemas['Picture'];
  bead: Schemas['Bead'];
  kept: T;
}

/** A picture that is measured, or why there is none. */
export function PictureFrame<T>(props: {
  title: string;
  kept: UseQueryResult<T>;
  children: (all: PictureKept<T>) => ReactNode;
}) {
  const { beadId = '', pictureId = '' } = useParams();
  const file = useBeadFile(beadId);
  return (
    <Loaded of={asLoading(file)} what="this picture">
      {({ bead, pictures }) => {
        const picture = pictures.find((one) => one.id === pictureId);
        return picture ? (
          <Loaded of={asLoading(props.kept)} what="what was kept of it">
            {(kept) => props.children({ picture, bead, kept })}
          </Loaded>
        ) : (
          <Page title={props.title} back={{ to: `/beads/${beadId}`, label: 'Back to the bead' }}>
            <div className="panel empty">
              <p>This picture was withdrawn.</p>
            </div>
          </Page>
        );
      }}
    </Loaded>
  );
}

/** Keeps what was measured under an id of its own, and goes back to the bead. */
export function useKeepMeasured<T>(beadId: string, keep: (readingId: string, body: T) => Promise<unknown>) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [readingId] = useState(newId);
  return useMutation({
    mutationFn: (body: T) => keep(readingId, body),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: inRoom() });
      await navigate(`/beads/${beadId}`);
    },
  });
}
