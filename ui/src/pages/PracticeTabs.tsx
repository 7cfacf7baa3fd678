import { NavLink } from 'react-router';
import { useMe } from '../shared/useMe';
import '../features/practice/practice.css';

/** The rooms of the practice room. */
export function PracticeTabs({ here }: { here: 'drills' | 'arc' | 'scores' }) {
  const me = useMe().data;
  return (
    <div className="page-head practice-head">
      <h1>Practice room</h1>
      <nav aria-label="Practice room" className="practice-tabs">
        <NavLink to="/practice" end className={here === 'drills' ? 'active' : ''}>
          Drills
        </NavLink>
        <NavLink to="/practice/arc">Arc bench</NavLink>
        <NavLink to="/practice/scores">{me?.role === 'instructor' ? 'Scores' : 'My scores'}</NavLink>
      </nav>
    </div>
  );
}
