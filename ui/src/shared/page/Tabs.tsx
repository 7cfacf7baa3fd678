import { useRovingIndex } from '@mantine/hooks';
import { NavLink, useLocation } from 'react-router';
import css from './page.module.css';

/** The parts of one thing, each with an address of its own: one stop of the Tab key, arrows within. */
export function Tabs(props: { name: string; tabs: readonly { to: string; label: string; end?: boolean }[] }) {
  const { pathname } = useLocation();
  const here = props.tabs.findIndex(({ to, end }) => (end ? pathname === to : pathname.startsWith(to)));
  const { getItemProps } = useRovingIndex({
    total: props.tabs.length,
    orientation: 'both',
    initialIndex: Math.max(0, here),
  });
  return (
    <nav className={css.tabs} aria-label={props.name}>
      {props.tabs.map(({ to, label, end }, index) => (
        <NavLink key={to} to={to} end={end ?? false} {...getItemProps({ index })}>
          {label}
        </NavLink>
      ))}
    </nav>
  );
}
