import { Button } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { Trouble } from '../../shared/Trouble';
import { useIds } from '../../shared/useIds';
import css from './tablets.module.css';

const mostFigures = 6;
const leastFigures = 4;

/** Who stands here: a name, then a PIN. */
export function WhoStands({ booth }: { booth: Schemas['BoothNow'] }) {
  const [chosen, setChosen] = useState<Schemas['PersonName'] | null>(null);
  if (!booth.session) return <p className="panel empty">No session is on in this room.</p>;
  if (booth.names.length === 0)
    return (
      <p className="panel empty">Nobody is on this evening’s list yet. Your instructor puts you on it.</p>
    );
  if (chosen) return <PinPad who={chosen} onOther={() => setChosen(null)} />;
  return (
    <section className="panel stack" aria-label="Who stands here">
      <h2>Who stands here?</h2>
      <div className={css.names}>
        {booth.names.map((name) => (
          <Button
            key={name.id}
            size="lg"
            variant={name.id === booth.placedId ? 'filled' : 'default'}
            onClick={() => setChosen(name)}
          >
            {name.name}
          </Button>
        ))}
      </div>
    </section>
  );
}

function PinPad({ who, onOther }: { who: Schemas['PersonName']; onOther: () => void }) {
  const [pin, setPin] = useState('');
  const queries = useQueryClient();
  const ids = useIds();
  const stand = useMutation({
    mutationFn: () =>
      answer(
        api.PUT('/api/booth/standing/{id}', {
          params: { path: { id: ids.idOf(who.id) } },
          body: { studentId: who.id, pin },
        }),
      ),
    onSuccess: async () => {
      ids.taken();
      await Promise.all([
        queries.invalidateQueries({ queryKey: ['me'] }),
        queries.invalidateQueries({ queryKey: ['booth'] }),
      ]);
    },
    onError: () => setPin(''),
  });
  const press = (figure: string) => {
    stand.reset();
    setPin((typed) => (typed.length < mostFigures ? typed + figure : typed));
  };
  return (
    <section className="panel stack" aria-label="PIN">
      <h2>{who.name}</h2>
      <p className={css.figures} role="status" aria-label={`${pin.length} figures typed`}>
        {'•'.repeat(pin.length) || 'PIN'}
      </p>
      <div className={css.pad}>
        {['1', '2', '3', '4', '5', '6', '7', '8', '9'].map((figure) => (
          <Button key={figure} variant="default" onClick={() => press(figure)}>
            {figure}
          </Button>
        ))}
        <Button
          variant="default"
          aria-label="Take the last figure back"
          onClick={() => setPin(pin.slice(0, -1))}
        >
          ⌫
        </Button>
        <Button variant="default" onClick={() => press('0')}>
          0
        </Button>
        <Button loading={stand.isPending} disabled={pin.length < leastFigures} onClick={() => stand.mutate()}>
          OK
        </Button>
      </div>
      {stand.isError && <Trouble error={stand.error} />}
      <Button variant="default" size="lg" onClick={onOther}>
        I am somebody else
      </Button>
    </section>
  );
}
