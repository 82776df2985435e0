import type { LocalCode } from '../records/case';

/**
 * What in a code contradicts itself, by the field a person mends: a soluble cap over the total, a dose over the year, dates that
 * close nothing. A file may hold such a code, and the stricter of its lines holds; an editor refuses it.
 *
 * @example codeFaults({ id: 'a', maxTotalNPerDose: 0.7, maxSolubleNPerDose: 0.9 }) // { maxSolubleNPerDose: 'The soluble cap …' }
 */
export function codeFaults(code: LocalCode): Record<string, string> {
  const { maxTotalNPerDose: dose, maxSolubleNPerDose: soluble, maxNPerYear: year } = code;
  const over = (a: number | undefined, b: number | undefined): boolean => a !== undefined && b !== undefined && a > b;
  return {
    ...(over(soluble, dose)
      ? {
          maxSolubleNPerDose: `The soluble cap of a dose, ${soluble} lb N, is over the cap of the whole dose, ${dose} lb N.`,
        }
      : {}),
    ...(over(dose, year)
      ? { maxTotalNPerDose: `One dose may bring ${dose} lb N, more than the whole year, ${year} lb N.` }
      : {}),
    ...(over(code.maxP2O5PerDose, code.maxP2O5PerYear)
      ? {
          maxP2O5PerDose: `One dose may bring ${code.maxP2O5PerDose} lb P2O5, more than the whole year, ${code.maxP2O5PerYear} lb P2O5.`,
        }
      : {}),
    ...Object.fromEntries(
      (code.closed ?? []).flatMap(({ nutrients }, i) =>
        nutrients.length === 0 ? [[`closed[${i}].nutrients`, 'These dates close nothing: tick a nutrient.']] : [],
      ),
    ),
    ...Object.fromEntries(
      (code.localWatering?.closedHours ?? []).flatMap(({ from, to }, i) =>
        from === to ? [[`closedHours[${i}]`, 'These hours begin and end at the same time: they close nothing.']] : [],
      ),
    ),
    ...(code.checkedOn !== undefined && code.expiresOn !== undefined && code.expiresOn < code.checkedOn
      ? { expiresOn: 'It ran out before it was checked.' }
      : {}),
  };
}
