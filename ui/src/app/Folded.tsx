import { Button, Popover } from '@mantine/core';
import { IconDots } from '@tabler/icons-react';
import type { ReactNode } from 'react';
import css from './shell.module.css';

/** What a narrow head has no room for, behind one key. */
export default function Folded({ children }: { children: ReactNode }) {
  return (
    <Popover position="bottom-end" trapFocus returnFocus>
      <Popover.Target>
        <Button variant="subtle" className={css.quick} aria-label="Units, light, keys, sign out">
          <IconDots size={20} aria-hidden="true" />
        </Button>
      </Popover.Target>
      <Popover.Dropdown>
        <div className={css.more}>{children}</div>
      </Popover.Dropdown>
    </Popover>
  );
}
