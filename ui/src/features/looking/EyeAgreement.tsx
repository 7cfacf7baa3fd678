import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { useUnits } from '../../shared/units';
import css from './face.module.css';
import { eyeQueries } from './queries';
import { fine } from './toes';

const aspects: Record<Schemas['EyeAspect'], string> = {
  faceLength: 'Length of a face',
  faceWidth: 'Width of a face',
  lowerLeg: 'Lower leg of a section',
  upperLeg: 'Upper leg of a section',
  throat: 'Throat',
  width: 'Width of a section',
  reinforcement: 'Reinforcement',
  rootPenetration: 'Root penetration',
  lowerPenetration: 'Into the lower plate',
  upperPenetration: 'Into the upper plate',
  unfused: 'Unfused',
};

/** How near the eye comes to what you make of the same pictures. */
export function EyeAgreement() {
  const agreement = useQuery(eyeQueries.agreement());
  const { units } = useUnits();
  const inch = units === 'inch';
  return (
    <section className="panel stack" aria-label="You and the eye">
      <h2>You and the eye</h2>
      <Loaded of={asLoading(agreement)} what="how near the eye comes">
        {(rows) =>
          rows.length === 0 ? (
            <p className="quiet">
              Measure faces and sections on their pictures, and it shows here how near the eye comes to you.
            </p>
          ) : (
            <>
              <div
                className={css.scrolls}
                role="group"
                aria-label="The eye, by what it measures"
                tabIndex={0}
              >
                <table className={css.agreement}>
                  <thead>
                    <tr>
                      <th scope="col">Measured</th>
                      <th scope="col">Near you</th>
                      <th scope="col">Held</th>
                      <th scope="col">Off by</th>
                    </tr>
                  </thead>
                  <tbody>
                    {rows.map((row) => (
                      <tr key={row.aspect}>
                        <th scope="row">{aspects[row.aspect]}</th>
                        <td>
                          {row.near} of {row.readings}
                        </td>
                        <td>
                          {row.held} of {row.readings}
                        </td>
                        <td>
                          {fine(row.offMm, inch)}
                          {Math.abs(row.overMm) >= 0.05 && (
                            <span className="quiet"> mostly {row.overMm > 0 ? 'more' : 'less'} than you</span>
                          )}
                        </td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              </div>
              <p className="quiet">
                Near: within 5 % or {inch ? '0.012 in' : '0.3 mm'}. Held: what you said lies where the eye
                said it does; it means to be right in 19 of 20.
              </p>
            </>
          )
        }
      </Loaded>
      <div className="row">
        <Button component="a" href="/api/eye/lessons.zip" variant="default" download>
          Take the corrected pictures (ZIP)
        </Button>
      </div>
      <p className="quiet">
        Of students who have said, under Settings, that theirs may teach the eye: pictures and marks, no
        names.
      </p>
    </section>
  );
}
