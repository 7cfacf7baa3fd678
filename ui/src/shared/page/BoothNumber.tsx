import css from './page.module.css';

/** A booth's number, as it hangs over the curtain. */
export const BoothNumber = ({ number, small }: { number: number; small?: boolean }) => (
  <span className={small ? `${css.number} ${css.small}` : css.number}>{number}</span>
);
