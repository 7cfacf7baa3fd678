import { useComputedColorScheme, useMantineColorScheme } from '@mantine/core';
import { useNavigate } from 'react-router';
import type { Schemas } from '../shared/api/client';
import { useSetUnits, useSignOut } from '../shared/useMe';

/** What can be done from anywhere. */
export interface Commands {
  toggleUnits: () => void;
  toggleLight: () => void;
  dark: boolean;
  openHelp: () => void;
  openCalculators: () => void;
  leave: () => void;
  leaving: boolean;
}

export function useCommands(
  me: Schemas['Person'],
  open: { openHelp: () => void; openCalculators: () => void },
): Commands {
  const navigate = useNavigate();
  const setUnits = useSetUnits();
  const signOut = useSignOut();
  const { toggleColorScheme } = useMantineColorScheme();
  return {
    ...open,
    toggleUnits: () => setUnits.mutate(me.units === 'inch' ? 'metric' : 'inch'),
    toggleLight: toggleColorScheme,
    dark: useComputedColorScheme('light') === 'dark',
    leave: () => signOut.mutate(undefined, { onSuccess: () => navigate('/') }),
    leaving: signOut.isPending,
  };
}
