import type { Choices } from '../records/case';
import { HIGH_PH_SCHOOLS, schoolOf } from '../season/rules/practice-schools';
import { SCHOOLS, type School } from '../soil/interpret';
import { prescribeZone } from './prescribe';
import type { PhPrescription, ZonePrescription } from './prescription';
import type { ZoneFacts } from './zone-facts';

export type SchooledLine = 'phosphorus' | 'potassium' | 'magnesium' | 'sulfur';

/** What the other schools of interpretation would give for the same report. */
export interface SchoolAnswer {
  school: School;
  prescription: ZonePrescription;
  /** Whether the school has a rule of its own for the line here; without one sufficiency answers. */
  hasRule: (line: SchooledLine) => boolean;
}

const withoutOwn = (facts: ZoneFacts): ZoneFacts => ({ ...facts, zone: { ...facts.zone, own: undefined } });

/** Answers of every school but the one in force, from the same facts; overrides stand aside. */
export function otherSchoolAnswers(facts: ZoneFacts): SchoolAnswer[] {
  const current = facts.choices?.school ?? 'sufficiency';
  return SCHOOLS.filter((school) => school !== current).map((school) => {
    const { prescription } = prescribeZone({ ...withoutOwn(facts), choices: { ...facts.choices, school } });
    const words = { sufficiency: '', minimum: 'By minimum levels.', saturation: 'By base saturation.' }[school];
    return {
      school,
      prescription,
      hasRule: (line) => school === 'sufficiency' || prescription[line].says.includes(words),
    };
  });
}

/** What each school on high pH would do here; empty where pH is not too high. */
export function highPhAnswers(facts: ZoneFacts): {
  id: NonNullable<Choices['highPh']>;
  title: string;
  because: string;
  against: string;
  ph: PhPrescription;
  chosen: boolean;
}[] {
  const chosen = schoolOf(HIGH_PH_SCHOOLS, facts.choices?.highPh).id;
  return HIGH_PH_SCHOOLS.map(({ id, title, because, against }) => ({
    id,
    title,
    because,
    against,
    chosen: id === chosen,
    ph: prescribeZone({ ...facts, choices: { ...facts.choices, highPh: id } }).prescription.ph,
  }));
}
