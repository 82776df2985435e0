import { Link } from 'react-router';

/** The name of the product with its mark: growth above the soil line, what is fed below it. */
export function Wordmark() {
  return (
    <Link className="wordmark" to="/">
      <svg width="24" height="24" viewBox="0 0 24 24" aria-hidden="true">
        <path d="M1 12.5C5 12.5 6.5 2.5 10 2.5s4.5 6 7 6 2.5-3 6-3v7Z" fill="#3D5F22" />
        <path d="M0 13H24" stroke="#2A2017" strokeWidth="1.6" />
        <circle cx="4.5" cy="19" r="3" fill="#2A2017" />
        <path d="M12 15.2l3.8 3.8-3.8 3.8-3.8-3.8Z" fill="#2A2017" />
        <rect x="17.4" y="16.4" width="5.2" height="5.2" fill="none" stroke="#2A2017" strokeWidth="1.4" />
      </svg>
      Ubertas
    </Link>
  );
}
