import type { Product } from '../../records/case';
import { gradeInWords } from './grade';
import { trimmed } from '../../words/numbers';

const percentText = (value: number): string => trimmed(value, 2);

/** Whether a bag carries a grade at all; lime, sulfur, gypsum and iron do not. */
export const hasGrade = ({ guaranteed: { N = 0, P2O5 = 0, K2O = 0 } }: Product): boolean => N + P2O5 + K2O > 0;

/** The three numbers of a product. */
export const gradeOf = ({ guaranteed: { N = 0, P2O5 = 0, K2O = 0 } }: Product): string =>
  gradeInWords({ N, P2O5, K2O });

/** What stands large on the bag: its grade, else the number that sells it. A pelleted lime of CCE 95 shows "CCE 95". */
export function faceOf(product: Product): string {
  if (hasGrade(product)) return gradeOf(product);
  const { guaranteed } = product;
  if (product.limeKind) return product.ccePercent === undefined ? 'lime' : `CCE ${percentText(product.ccePercent)}`;
  const free = guaranteed['S-free'] ?? 0;
  if (free > 0) return `${percentText(free + (guaranteed['S-combined'] ?? 0))} S`;
  const [name, value] =
    (['Fe', 'Mg', 'Mn', 'Ca', 'S-combined'] as const)
      .map((nutrient) => [nutrient, guaranteed[nutrient] ?? 0] as const)
      .find(([, share]) => share > 0) ?? [];
  return name && value ? `${percentText(value)} ${name.replace('-combined', '')}` : '0-0-0';
}
