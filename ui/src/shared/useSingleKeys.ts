import { type HotkeyItem, useHotkeys, useLocalStorage } from '@mantine/hooks';

/** Whether single keys without Ctrl do anything; whoever speaks to the machine, or leans on it, switches them off. */
export const useSingleKeysOn = () =>
  useLocalStorage({ key: 'single-keys', defaultValue: true, getInitialValueInEffect: false });

/** Keys that act by themselves, while nobody types and nobody has switched them off. */
export function useSingleKeys(keys: HotkeyItem[]) {
  const [on] = useSingleKeysOn();
  useHotkeys(on ? keys : []);
}
