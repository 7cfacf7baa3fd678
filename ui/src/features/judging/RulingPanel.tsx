import { Button, Select, TextInput } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { Trouble } from '../../shared/Trouble';
import { moment } from '../../shared/units';
import { useIds } from '../../shared/useIds';
import { aspects, standings, verdicts } from '../../shared/words';
import { useFields, useSay } from '../../shared/words/useSay';
import { judgingQueries } from './queries';
import { LoadTrouble } from '../../shared/Loaded';

type Ruling = Schemas['RulingRequest'];
type Cause = Schemas['Cause'];

/** The instructor's word beside the tool's: agree in one tap, or overrule with a reason. Both are kept. */
export function RulingPanel({ file }: { file: Schemas['BeadFile'] }) {
  const { bead } = file;
  const { judgement } = bead;
  const queries = useQueryClient();
  const [about, setAbout] = useState<string | null>(null);
  const [word, setWord] = useState<string | null>(null);
  const [reason, setReason] = useState('');
  const { idOf, taken } = useIds();
  const say = useSay();
  const process = (file.body ?? file.sheet.body).job.process ?? 'gmawShortCircuit';
  const causes = useQuery({ ...judgingQueries.causes(process), enabled: about === 'cause' });
  const sayCause = (cause: Cause, why: string) => {
    const body = { cause, reason: why };
    return answer(
      api.PUT('/api/beads/{id}/causes/{rulingId}', {
        params: { path: { id: bead.id, rulingId: idOf(body) } },
        body,
      }),
    );
  };
  const rule = useMutation({
    mutationFn: async ({ rulings, cause, why }: { rulings: Ruling[]; cause?: Cause; why?: string }) => {
      if (cause) await sayCause(cause, why ?? '');
      for (const body of rulings) {
        await answer(
          api.PUT('/api/beads/{id}/rulings/{rulingId}', {
            params: { path: { id: bead.id, rulingId: idOf(body) } },
            body,
          }),
        );
      }
    },
    onSuccess: async () => {
      taken();
      setAbout(null);
      setWord(null);
      setReason('');
      notifications.show({ message: 'Your verdict is kept beside the tool’s.' });
      await queries.invalidateQueries({ queryKey: ['room'] });
      await queries.invalidateQueries({ queryKey: judgingQueries.agreement().queryKey });
      await queries.invalidateQueries({ queryKey: judgingQueries.learned().queryKey });
    },
  });
  const fields = useFields(rule.error);
  const known = judgement.aspects.filter((aspect) => aspect.standing !== 'notKnown');
  const agree = () =>
    rule.mutate({
      cause: judgement.causes[0]?.cause,
      rulings: [
        { aspect: null, standing: null, verdict: judgement.verdict, reason: '' },
        ...known.map((aspect) => ({
          aspect: aspect.aspect,
          standing: aspect.standing,
          verdict: null,
          reason: '',
        })),
      ],
    });
  const overall = about === 'verdict';
  return (
    <section className="rulings stack" aria-label="Your verdict">
      <h3>Your verdict</h3>
      {file.rulings.length > 0 && (
        <ul className="plain-list">
          {file.rulings
            .filter((given) => given.ruling.tool !== given.ruling.instructor || given.ruling.aspect === null)
            .map((given) => (
              <li key={`${given.at}${given.ruling.aspect ?? ''}`}>
                <b>{given.by}</b>, {given.ruling.aspect ? aspects[given.ruling.aspect] : 'Verdict'}:{' '}
                {given.ruling.tool === given.ruling.instructor
                  ? 'agrees'
                  : `${said(given.ruling, given.ruling.instructor)} instead of ${said(given.ruling, given.ruling.tool)}`}
                {given.reason && <span>. {given.reason}</span>}{' '}
                <span className="quiet">{moment(given.at)}</span>
              </li>
            ))}
        </ul>
      )}
      {about === null && rule.isError && <Trouble error={rule.error} />}
      {about === null ? (
        <div className="row">
          <Button variant="default" loading={rule.isPending} onClick={agree}>
            I agree
          </Button>
          <Button variant="default" onClick={() => setAbout('verdict')}>
            Overrule
          </Button>
        </div>
      ) : (
        <form
          className="stack"
          aria-label="Overrule"
          onSubmit={(event) => {
            event.preventDefault();
            if (about === 'cause') {
              if (word) rule.mutate({ rulings: [], cause: word as Cause, why: reason });
              return;
            }
            rule.mutate({
              rulings: [
                overall
                  ? { aspect: null, standing: null, verdict: word as Schemas['Verdict'] | null, reason }
                  : {
                      aspect: about as Schemas['Aspect'],
                      standing: word as Schemas['Standing'] | null,
                      verdict: null,
                      reason,
                    },
              ],
            });
          }}
        >
          <Select
            label="About"
            data={[
              { value: 'verdict', label: `The verdict: ${verdicts[judgement.verdict]}` },
              ...judgement.causes.slice(0, 1).map((cause) => ({
                value: 'cause',
                label: `The cause: ${say(cause.words)}`,
              })),
              ...judgement.aspects.map((aspect) => ({
                value: aspect.aspect,
                label: `${aspects[aspect.aspect]}: ${standings[aspect.standing]}`,
              })),
            ]}
            value={about}
            onChange={(value) => {
              setAbout(value);
              setWord(null);
            }}
          />
          <LoadTrouble of={causes} what="the causes" />
          <Select
            label="Your verdict on it"
            searchable={about === 'cause'}
            data={
              about === 'cause'
                ? (causes.data ?? []).map((one) => ({ value: one.cause, label: say(one.words) }))
                : Object.entries(overall ? verdicts : standings).map(([value, label]) => ({ value, label }))
            }
            value={word}
            onChange={setWord}
            error={fields.verdict ?? fields.standing ?? fields.cause}
          />
          <TextInput
            label="Why"
            maxLength={300}
            value={reason}
            onChange={(event) => setReason(event.currentTarget.value)}
            error={fields.reason}
          />
          {rule.isError && Object.keys(fields).length === 0 && <Trouble error={rule.error} />}
          <div className="row">
            <Button type="submit" loading={rule.isPending} disabled={about === 'cause' && word === null}>
              Keep my word
            </Button>
            <Button variant="default" onClick={() => setAbout(null)}>
              Back
            </Button>
          </div>
        </form>
      )}
    </section>
  );
}

const said = (ruling: Schemas['Ruling'], word: string) =>
  (ruling.aspect === null
    ? verdicts[word as Schemas['Verdict']]
    : standings[word as Schemas['Standing']]
  ).toLowerCase();
