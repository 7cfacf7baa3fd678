import { Button } from '@mantine/core';
import type { Schemas } from '../../shared/api/client';
import css from './studentList.module.css';

/** First codes to print and cut apart: shown this once. */
export function FirstCodes({ codes }: { codes: Schemas['FirstCode'][] }) {
  return (
    <section className="panel stack" aria-label="First codes">
      <h2>First codes</h2>
      <p>
        Print them now: they are shown this once. At the sign-in, “I have a code from an instructor” takes
        login and code and asks for a password of their own. Good for three weeks, each once.
      </p>
      <table className={css.codes}>
        <thead>
          <tr>
            <th scope="col">Name</th>
            <th scope="col">Login</th>
            <th scope="col">Code</th>
          </tr>
        </thead>
        <tbody>
          {codes.map(({ name, login, code }) => (
            <tr key={login}>
              <td>{name}</td>
              <td>{login}</td>
              <td>{code}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="row">
        <Button onClick={() => window.print()}>Print</Button>
      </div>
    </section>
  );
}
