import { useEffect } from 'react';

const product = 'Gentle Bead';

/** The browser's own title of a page. */
export function useTitle(title: string | undefined) {
  useEffect(() => {
    document.title = title ? `${title} · ${product}` : product;
  }, [title]);
}
