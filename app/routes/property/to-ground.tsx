import { redirect } from 'react-router';
import type { Route } from './+types/to-ground';

/** A property opens where the work begins. */
export function clientLoader({ params }: Route.ClientLoaderArgs) {
  return redirect(`/property/${params.propertyId}/ground`);
}
clientLoader.hydrate = true as const;

export function HydrateFallback() {
  return null;
}

export default function ToGround() {
  return null;
}
