import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { registerSW } from 'virtual:pwa-register';
import { keepSnapshot } from './snapshot';
import { useDelivery } from './useOutbox';

/** What lets a screen go on without a network: its code is kept by the browser, what it shows and what is noted by us. */
export function useOffline(of: { up: boolean; me: string | null; tablet: boolean; idle: boolean }) {
  const queries = useQueryClient();
  const [renew, setRenew] = useState<() => void>();
  useDelivery(of.up, of.me, of.tablet);
  useEffect(() => keepSnapshot(queries), [queries]);
  useEffect(() => {
    // A newer edition waits until nobody is in the middle of something; what is kept here is not touched by it.
    const update = registerSW({
      immediate: true,
      onNeedRefresh: () => setRenew(() => () => void update(true)),
    });
  }, []);
  useEffect(() => {
    if (of.idle) renew?.();
  }, [of.idle, renew]);
}
