import { HubConnectionBuilder, LogLevel } from '@microsoft/signalr';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';

/** Asks again for whatever is on screen when the room changes. Says whether the line is up. */
export function useLive(): boolean {
  const queries = useQueryClient();
  const [up, setUp] = useState(true);
  useEffect(() => {
    const hub = new HubConnectionBuilder()
      .withUrl('/live')
      .withAutomaticReconnect({ nextRetryDelayInMilliseconds: () => 1500 })
      .configureLogging(LogLevel.None)
      .build();
    const lookAgain = () => queries.invalidateQueries({ queryKey: ['room'] });
    hub.on('changed', lookAgain);
    hub.onreconnecting(() => setUp(false));
    hub.onreconnected(() => {
      setUp(true);
      void lookAgain();
    });
    let stopped = false;
    const start = () => {
      void hub.start().then(
        () => setUp(true),
        () => {
          setUp(false);
          if (!stopped) setTimeout(start, 1500);
        },
      );
    };
    start();
    return () => {
      stopped = true;
      void hub.stop();
    };
  }, [queries]);
  return up;
}
