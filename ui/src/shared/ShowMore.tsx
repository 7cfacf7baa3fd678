import { Button } from '@mantine/core';

/** The way to the next page of a list; nothing on the last. */
export function ShowMore(props: { more: (() => void) | undefined; coming: boolean; what: string }) {
  if (!props.more) return null;
  return (
    <Button variant="default" size="lg" mt="md" onClick={props.more} loading={props.coming}>
      Show more {props.what}
    </Button>
  );
}
