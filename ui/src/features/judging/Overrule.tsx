import { Button, Select, TextInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../../shared/api/client';
import { LoadTrouble } from '../../shared/Loaded';
import { Trouble } from '../../shared/Trouble';
import { aspects, standings, verdicts } from '../../shared/words';
import { useFields, useSay } from '../../shared/words/useSay';
import { judgingQueries } from './queries';
import type { useRule, Word } from './useRule';

interface Values {
  about: string | null;
  word: string | null;
  reason: string;
}

/** What is said of what: the verdict, its cause, or one aspect. */
function toWord({ about, word, reason }: Values): Word {
  if (about === 'cause') return { rulings: [], cause: { cause: word as Schemas['Cause'], reason } };
  if (about === 'verdict') {
    const verdict = word as Schemas['Verdict'] | null;
    return { rulings: [{ aspect: null, standing: null, verdict, reason }] };
  }
  const standing = word as Schemas['Standing'] | null;
  return { rulings: [{ aspect: about as Schemas['Aspect'], standing, verdict: null, reason }] };
}

/** Overrules the tool, with a reason. */
export function Overrule(props: {
  judgement: Schemas['Judgement'];
  process: Schemas['Process'];
  rule: ReturnType<typeof useRule>;
  onBack: () => void;
}) {
  const { judgement, rule } = props;
  const say = useSay();
  const form = useForm<Values>({ initialValues: { about: 'verdict', word: null, reason: '' } });
  const { about, word } = form.values;
  const causes = useQuery({ ...judgingQueries.causes(props.process), enabled: about === 'cause' });
  const fields = useFields(rule.error);
  const words = Object.entries(about === 'verdict' ? verdicts : standings);
  return (
    <form
      className="stack"
      aria-label="Overrule"
      onSubmit={form.onSubmit((values) => rule.mutate(toWord(values)))}
    >
      <Select
        label="About"
        data={[
          { value: 'verdict', label: `The verdict: ${verdicts[judgement.verdict]}` },
          ...judgement.causes
            .slice(0, 1)
            .map((cause) => ({ value: 'cause', label: `The cause: ${say(cause.words)}` })),
          ...judgement.aspects.map((aspect) => ({
            value: aspect.aspect,
            label: `${aspects[aspect.aspect]}: ${standings[aspect.standing]}`,
          })),
        ]}
        value={about}
        onChange={(value) => form.setValues({ about: value, word: null })}
      />
      <LoadTrouble of={causes} what="the causes" />
      <Select
        label="Your verdict on it"
        searchable={about === 'cause'}
        data={
          about === 'cause'
            ? (causes.data ?? []).map((one) => ({ value: one.cause, label: say(one.words) }))
            : words.map(([value, label]) => ({ value, label }))
        }
        {...form.getInputProps('word')}
        error={fields.verdict ?? fields.standing ?? fields.cause}
      />
      <TextInput label="Why" maxLength={300} {...form.getInputProps('reason')} error={fields.reason} />
      {rule.isError && Object.keys(fields).length === 0 && <Trouble error={rule.error} />}
      <div className="row">
        <Button type="submit" loading={rule.isPending} disabled={about === 'cause' && word === null}>
          Keep my word
        </Button>
        <Button variant="default" onClick={props.onBack}>
          Back
        </Button>
      </div>
    </form>
  );
}
