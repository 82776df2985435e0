import { useOutletContext } from 'react-router';
import type { PropertyWork } from './property-work';

/** The work of the property whose stage this is. */
export const usePropertyWork = (): PropertyWork => useOutletContext<PropertyWork>();
