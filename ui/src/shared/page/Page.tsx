import { IconArrowLeft } from '@tabler/icons-react';
import { type ReactNode, useEffect, useRef } from 'react';
import { Link } from 'react-router';
import css from './page.module.css';
import { useTitle } from './useTitle';

/** A heading that takes the focus when its page comes up: keys go on from there, and a screen reader says where one is. */
export function Heading({ children }: { children: ReactNode }) {
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    // Whoever is already at a field of this page, or in a dialog, stays there.
    const at = document.activeElement;
    if (at?.closest('main, [role="dialog"]')) return;
    heading.current?.focus({ preventScroll: true });
  }, []);
  return (
    <h1 ref={heading} tabIndex={-1}>
      {children}
    </h1>
  );
}

/** Every page: its title, its heading, the way back, and what belongs beside the heading. */
export function Page(props: {
  title: string;
  /** What stands in the heading where that is more than the title. */
  heading?: ReactNode;
  under?: ReactNode;
  back?: { to: string; label: string };
  before?: ReactNode;
  aside?: ReactNode;
  children: ReactNode;
}) {
  useTitle(props.title);
  return (
    <>
      <div className={css.head}>
        {props.back && (
          <Link to={props.back.to} className={css.back} aria-label={props.back.label}>
            <IconArrowLeft aria-hidden="true" />
          </Link>
        )}
        {props.before}
        <div className={css.names}>
          <Heading>{props.heading ?? props.title}</Heading>
          {props.under && <p className="quiet">{props.under}</p>}
        </div>
        {props.aside && <div className={css.aside}>{props.aside}</div>}
      </div>
      {props.children}
    </>
  );
}
