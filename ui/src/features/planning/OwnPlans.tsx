import { useQuery } from '@tanstack/react-query';
import { asLoading, Loaded } from '../../shared/Loaded';
import { clock, day } from '../../shared/time';
import css from './planning.module.css';
import { planQueries } from './queries';

/** Where a student is to stand next, and at what. */
export function OwnPlans() {
  const plans = useQuery(planQueries.mine());
  return (
    <Loaded of={asLoading(plans)} what="your plan">
      {(all) => (
        <>
          {all.map(({ title, heldOn, roomName, stands }) => (
            <section
              key={`${heldOn} ${title}`}
              className="panel stack"
              aria-label={`Plan for ${day(heldOn)}`}
            >
              <h2>
                {day(heldOn)}, {roomName}
              </h2>
              {stands.length === 0 ? (
                <p>You stand at no booth: ask what there is to cut, grind or practise.</p>
              ) : (
                <ol className={`plain-list ${css.own}`}>
                  {stands.map(({ begins, minutes, booth, machineName, exerciseName }) => (
                    <li key={begins}>
                      <b>{clock(begins)}</b>
                      <span>
                        Booth {booth}, {machineName}
                      </span>
                      <span>
                        {exerciseName}, {minutes} min
                      </span>
                    </li>
                  ))}
                </ol>
              )}
            </section>
          ))}
        </>
      )}
    </Loaded>
  );
}
