import * as yup from 'yup';
import { changedAt, id, isoDay, list, text, word } from './strict-schema';

/** What a person may be sent to do. */
export const OPERATOR_WORK = ['feeding', 'restricted'] as const;

/** Somebody who does the work. Ubertas never checks a license. */
export const operatorSchema = yup.object({
  id: id('Person'),
  name: text('Name', 80).required('A person needs a name.').min(1, 'A person needs a name.'),
  initials: text('Initials', 6).optional(),
  /** Personal: left out of what is exported unless the person who exports asks for it. */
  licenseNumber: text('License number', 60).optional(),
  licenseClass: text('License class', 60).optional(),
  state: text('State', 60).optional(),
  expiresOn: isoDay('Runs out').optional(),
  scope: text('Scope of the certificate', 200).optional(),
  work: list('Work', word('Work', OPERATOR_WORK).required(), OPERATOR_WORK.length).optional(),
  changedAt: changedAt(),
});
export type Operator = yup.InferType<typeof operatorSchema>;
