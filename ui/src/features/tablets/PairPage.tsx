import { Button, TextInput } from '@mantine/core';
import { useQueryClient } from '@tanstack/react-query';
import { answer, api } from '../../shared/api/client';
import { useTitle } from '../../shared/page/useTitle';
import { Trouble } from '../../shared/Trouble';
import { useEntry } from '../../shared/useEntry';
import { useIds } from '../../shared/useIds';
import { setMe } from '../../shared/useMe';
import css from './tablets.module.css';

/** Makes this screen a booth's, by the code an instructor shows. */
export function PairPage() {
  const queries = useQueryClient();
  const ids = useIds();
  useTitle('A booth’s tablet');
  const { form, pending, submit, trouble } = useEntry(
    { code: window.location.hash.slice(1), name: '' },
    (body) => answer(api.POST('/api/tablets/pair', { body: { id: ids.idOf('tablet'), ...body } })),
    () => {
      ids.taken();
      window.history.replaceState(null, '', '/');
      setMe(queries, null);
      void queries.invalidateQueries({ queryKey: ['booth'] });
    },
  );
  return (
    <main className={css.gate}>
      <h1>A booth’s tablet</h1>
      <form className="panel stack" onSubmit={submit}>
        <p>
          An instructor makes the code under Settings, Tablets. From then on this tablet belongs to the booth,
          and to nobody.
        </p>
        <TextInput
          label="Code"
          size="lg"
          autoFocus
          autoComplete="off"
          autoCapitalize="characters"
          {...form.getInputProps('code')}
        />
        <TextInput
          label="What the tablet is called"
          description="empty: by its booth’s number"
          autoComplete="off"
          {...form.getInputProps('name')}
        />
        {trouble && <Trouble error={trouble} />}
        <Button type="submit" size="lg" loading={pending}>
          Make it the booth’s
        </Button>
      </form>
      <p>
        <a href="/">To the sign-in</a>
      </p>
    </main>
  );
}
