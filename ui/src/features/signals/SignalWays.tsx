import { Switch } from '@mantine/core';
import { useState } from 'react';
import { isOn, switchWay, type Way, wayNames } from './signal';

/** How this screen draws attention to a hand, the end of a slot and a stop; each way can be off. */
export function SignalWays() {
  const ways = Object.keys(wayNames) as Way[];
  const [on, setOn] = useState(() => ways.filter(isOn));
  return (
    <fieldset className="stack plain-set">
      <legend>A hand, the end of a slot, a stop</legend>
      {ways.map((way) => (
        <Switch
          key={way}
          size="lg"
          label={wayNames[way]}
          checked={on.includes(way)}
          onChange={(event) => {
            switchWay(way, event.currentTarget.checked);
            setOn(ways.filter(isOn));
          }}
        />
      ))}
    </fieldset>
  );
}
