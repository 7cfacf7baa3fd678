import { createContext, useContext, useEffect, useState } from 'react';
import type { Schemas } from '../../shared/api/client';

type Sheet = Schemas['Sheet'] | undefined;

const AtHand = createContext<{ sheet: Sheet; put: (sheet: Sheet) => void }>({
  sheet: undefined,
  put: () => {},
});

/** Holds the sheet that is on screen, so that the calculators can begin with its numbers. */
export function SheetAtHand({ children }: { children: React.ReactNode }) {
  const [sheet, put] = useState<Sheet>();
  return <AtHand value={{ sheet, put }}>{children}</AtHand>;
}

/** Puts a screen's sheet at hand for as long as the screen stands. */
export function useSheetAtHand(sheet: Sheet) {
  const { put } = useContext(AtHand);
  useEffect(() => {
    put(sheet);
    return () => put(undefined);
  }, [sheet, put]);
}

/** The sheet on screen, if there is one. */
export const useTheSheetAtHand = () => useContext(AtHand).sheet;
