import { createContext, useContext, useEffect, useState } from 'react';
import type { Schemas } from '../../shared/api/client';

type Sheet = Schemas['Sheet'] | undefined;

// Two, so that whoever puts a sheet is not drawn again for having put it.
const AtHand = createContext<Sheet>(undefined);
const Put = createContext<(sheet: Sheet) => void>(() => {});

/** Holds the sheet that is on screen, so that the calculators can begin with its numbers. */
export function SheetAtHand({ children }: { children: React.ReactNode }) {
  const [sheet, put] = useState<Sheet>();
  return (
    <Put value={put}>
      <AtHand value={sheet}>{children}</AtHand>
    </Put>
  );
}

/** Puts a screen's sheet at hand for as long as the screen stands. */
export function useSheetAtHand(sheet: Sheet) {
  const put = useContext(Put);
  useEffect(() => {
    put(sheet);
    return () => put(undefined);
  }, [sheet, put]);
}

/** The sheet on screen, if there is one. */
export const useTheSheetAtHand = () => useContext(AtHand);
