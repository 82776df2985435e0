import { data } from 'react-router';

export function loader() {
  throw data('There is no such page in Ubertas. The properties are on the first page.', { status: 404 });
}

export default function NotFound() {
  return null;
}
