import { Units } from '../ui/format';
import { loadSetting } from '../storage/own-records';

/** Numbers and units as this browser has them chosen, where no page is drawn: actions read what was typed by them. */
export const unitsHere = async (): Promise<Units> => new Units(await loadSetting('units').catch(() => undefined));
