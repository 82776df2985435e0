import * as yup from 'yup';
import { choicesSchema } from './plan-schema';
import { changedAt, list, num, text, word, yes } from './strict-schema';

/** What this browser goes by, one record a subject, each saved on its own. */

const UNIT_SYSTEMS = ['us', 'si'] as const;
/** How numbers and dates are written. The words stay English. */
export const LOCALES = ['en-US', 'en-CA', 'en-GB', 'fr-CA', 'es-US', 'es-MX', 'de-DE', 'pt-BR'] as const;

export const unitsSettingSchema = yup.object({
  id: word('Setting', ['units']).required(),
  system: word('Units', UNIT_SYSTEMS).required(),
  /** Which SI unit nutrient rates take. */
  nutrientRate: word('Nutrient rates', ['g/m2', 'kg/ha']).required(),
  locale: word('Numbers and dates', LOCALES).required(),
  changedAt: changedAt(),
});
export type UnitsSetting = yup.InferType<typeof unitsSettingSchema>;

/** What a new property begins with, and how the keys behave. */
export const defaultsSettingSchema = yup.object({
  id: word('Setting', ['defaults']).required(),
  choices: choicesSchema.omit(['year']).required(),
  /** Keys of one letter, which speech input can press by mistake. */
  lettersOff: yes('Keys of one letter off').optional(),
  changedAt: changedAt(),
});
export type DefaultsSetting = yup.InferType<typeof defaultsSettingSchema>;

export const BACKUP_EVERY = [0, 7, 14, 30] as const;

export const keepingSettingSchema = yup.object({
  id: word('Setting', ['keeping']).required(),
  /** Days with changes after which a backup is asked for; 0 never. */
  backupEveryDays: num('Backup every', { min: 0, max: 365, integer: true, unit: 'days' }).required(),
  changedAt: changedAt(),
});
export type KeepingSetting = yup.InferType<typeof keepingSettingSchema>;

export const SETTING_SCHEMAS = {
  units: unitsSettingSchema,
  defaults: defaultsSettingSchema,
  keeping: keepingSettingSchema,
} as const;
export type SettingId = keyof typeof SETTING_SCHEMAS;
export type Setting = UnitsSetting | DefaultsSetting | KeepingSetting;

/** A user's own pack as it is kept: the file as it came, where it lies among the others, whether it holds. */
export const packRecordSchema = yup.object({
  id: text('Pack id', 80).required().min(1),
  /** Later lies over earlier. */
  order: num('Order', { min: 0, max: 1_000_000 }).required(),
  off: yes('Switched off').optional(),
  /** Ids of the properties it holds for; for all where there is no such list. */
  properties: list('Properties', text('Property', 80).required(), 50_000).optional(),
  /** The pack itself; its own schema is the rule packs'. */
  file: yup.object().required('The pack is empty.'),
  changedAt: changedAt(),
});
