import { NavLink } from 'react-router';

/** The rooms beside a single property: all of them, the shelf, reports coming in, the agronomist's own place. */
export function TopNav() {
  return (
    <nav className="topnav" aria-label="Main">
      <NavLink to="/" end>
        Properties
      </NavLink>
      <NavLink to="/field">Field</NavLink>
      <NavLink to="/shelf">Shelf</NavLink>
      <NavLink to="/reports">Lab reports</NavLink>
      <NavLink to="/settings">Settings</NavLink>
    </nav>
  );
}
