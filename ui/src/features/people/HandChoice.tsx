import { useMutation, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { Choice } from '../../shared/Choice';
import { tellTrouble } from '../../shared/notices';
import { hands } from '../../shared/words';

/** The hand a student holds the torch in: the next sheets say the direction for that hand. */
export function HandChoice(props: { studentId: string; title: string; hand: Schemas['Hand'] | null }) {
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: (hand: Schemas['Hand'] | null) =>
      answer(
        api.PUT('/api/people/students/{id}/hand', {
          params: { path: { id: props.studentId } },
          body: { hand },
        }),
      ),
    onSettled: async () => {
      await queries.invalidateQueries({ queryKey: ['me'] });
      await queries.invalidateQueries({ queryKey: ['room'] });
    },
    onError: tellTrouble,
  });
  return (
    <Choice
      title={props.title}
      words={hands}
      value={save.isPending ? save.variables : props.hand}
      optional
      onChange={(hand) => save.mutate(hand)}
    />
  );
}
