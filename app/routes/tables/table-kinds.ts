import type { PackKind } from '@core/packs/rule-packs';
import type { QuantityId, Units } from '../../ui/format';

/** One column of an editable table: where its number lies in a row, and what a person reads. */
export interface TableColumn {
  path: readonly (string | number)[];
  label: string;
  unit: string;
  /** What it measures, where that has a unit of two systems: the unit is then in the words of whoever reads. */
  quantity?: QuantityId;
}
export interface TableKind {
  kind: Exclude<PackKind, 'local-codes'>;
  title: string;
  note: string;
  columns: readonly TableColumn[];
}
const column = (label: string, unit: string, ...path: (string | number)[]): TableColumn => ({ path, label, unit });
const measured = (label: string, quantity: QuantityId, of: string, ...path: (string | number)[]): TableColumn => ({
  path,
  label,
  unit: of,
  quantity,
});

/** Tables whose rows a person may set for themselves; a pack of the same kind comes of it. */
export const TABLE_KINDS: readonly TableKind[] = [
  {
    kind: 'grasses',
    title: 'Grasses',
    note: 'New grasses wait for a new version of Ubertas: plans, growth and seasons are made for those of this list.',
    columns: [
      column('pH from', 'pH', 'phLow'),
      column('aim', 'pH', 'phAim'),
      column('to', 'pH', 'phHigh'),
      measured('Low care', 'nutrient-rate', 'N', 'nitrogenLb', 'low'),
      measured('Standard', 'nutrient-rate', 'N', 'nitrogenLb', 'standard'),
      measured('High', 'nutrient-rate', 'N', 'nitrogenLb', 'high'),
      measured('Ceiling', 'nutrient-rate', 'N', 'ceilingLb'),
      measured('Mown from', 'depth', '', 'mowIn', 0),
      measured('to', 'depth', '', 'mowIn', 1),
      column('Saline from', 'dS/m', 'salineFromDsPerM'),
    ],
  },
  {
    kind: 'sufficiency',
    title: 'Sufficiency ranges',
    note: 'Where low, enough and high start, by analyte and extractant. Ranges that move with pH are shown in the pack and come with a pack of your own.',
    columns: [
      column('Low', 'ppm', 'low'),
      column('Enough', 'ppm', 'enough'),
      column('High', 'ppm', 'high'),
      column('Flagged', 'ppm', 'flagged'),
      column('Harmful', 'ppm', 'toxic'),
    ],
  },
  {
    kind: 'minimum-levels',
    title: 'Minimum levels',
    note: 'Levels to keep, Mehlich-3.',
    columns: ['K', 'P', 'Ca', 'Mg', 'S'].map((nutrient) => column(nutrient, 'ppm', nutrient)),
  },
  {
    kind: 'base-saturation',
    title: 'Base saturation',
    note: 'Shares of the exchange capacity aimed at. Reviews find no gain over sufficiency: it is here to be compared.',
    columns: ['Ca', 'Mg', 'K', 'Na'].flatMap((cation) => [
      column(`${cation} from`, '%', cation, 0),
      column('to', '%', cation, 1),
    ]),
  },
  {
    kind: 'lime-fineness',
    title: 'Lime fineness',
    note: 'How far each sieve class of a lime counts. The rule that is chosen holds for every lime whose label gives sieves and no ECCE.',
    columns: [
      column('Over 8 mesh', '%', 'over8Mesh'),
      column('8 to 20', '%', 'mesh8to20'),
      column('20 to 60', '%', 'mesh20to60'),
      column('Under 60', '%', 'under60Mesh'),
    ],
  },
];

/** The unit of a column, as its heading has it. */
export const unitOf = ({ unit, quantity }: TableColumn, units: Units): string =>
  quantity === undefined ? unit : units.short(quantity, unit) + (quantity === 'nutrient-rate' ? ' a year' : '');
