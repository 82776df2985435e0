import type { Product } from '@core/records/case';
import { ecceOf } from '@core/lime/lime-label';
import { type Figure, figureOf, traced } from '@core/reckoning/figure';
import { packageLb } from '@core/products/package-lb';
import { unitPrice } from '@core/products/price';
import { slowShare } from '@core/nitrogen/forms';
import { isRefusal } from '@core/reckoning/refusal';

export type GroupId = 'nitrogen' | 'potash' | 'phosphate' | 'ph' | 'other' | 'pesticide' | 'unfinished';

interface Group {
  id: GroupId;
  title: string;
  by: string;
  /** What a pound is priced of, and its percent. */
  of: (product: Product) => { percent: number; substance: string };
}

const nothing = { percent: 0, substance: '' };

export const GROUPS: readonly Group[] = [
  {
    id: 'nitrogen',
    title: 'Nitrogen',
    by: 'by price of its N',
    of: (p) => ({ percent: p.guaranteed.N ?? 0, substance: 'N' }),
  },
  {
    id: 'potash',
    title: 'Potash',
    by: 'by price of its K2O',
    of: (p) => ({ percent: p.guaranteed.K2O ?? 0, substance: 'K2O' }),
  },
  {
    id: 'phosphate',
    title: 'Phosphate',
    by: 'by price of its P2O5',
    of: (p) => ({ percent: p.guaranteed.P2O5 ?? 0, substance: 'P2O5' }),
  },
  {
    id: 'ph',
    title: 'For pH',
    by: 'up with lime, down with free sulfur',
    of: (p) =>
      p.limeKind
        ? { percent: ecceOf(p), substance: 'CaCO3' }
        : { percent: p.guaranteed['S-free'] ?? 0, substance: 'free S' },
  },
  {
    id: 'other',
    title: 'Iron, gypsum and others',
    by: 'by name',
    of: (p) => (p.guaranteed.Fe ? { percent: p.guaranteed.Fe, substance: 'Fe' } : nothing),
  },
  { id: 'pesticide', title: 'Holds a pesticide', by: 'never in a feeding plan by itself', of: () => nothing },
  { id: 'unfinished', title: 'Half entered', by: 'neither planned nor matched', of: () => nothing },
];

/** Where a product stands on the shelf. */
export function groupOf({ guaranteed, limeKind, pesticide, unfinished }: Product): GroupId {
  if (unfinished) return 'unfinished';
  if (pesticide) return 'pesticide';
  const iron = (guaranteed.Fe ?? 0) > (guaranteed.N ?? 0);
  if ((guaranteed.N ?? 0) > 0 && !iron) return 'nitrogen';
  if ((guaranteed.K2O ?? 0) > 0) return 'potash';
  if ((guaranteed.P2O5 ?? 0) > 0) return 'phosphate';
  return limeKind || (guaranteed['S-free'] ?? 0) > 0 ? 'ph' : 'other';
}

/** Price of a pound of what a product is bought for; undefined where price, package or content is not known. */
export function priceFigure(product: Product): { figure: Figure; substance: string } | undefined {
  const group = GROUPS.find((each) => each.id === groupOf(product));
  const { percent, substance } = group?.of(product) ?? nothing;
  const price = product.package?.price;
  const lb = packageLb(product);
  if (percent === 0 || price === undefined || lb === undefined) return undefined;
  const figure = figureOf(
    unitPrice,
    {
      packagePrice: traced(price, `shelf, ${product.name}`),
      packageLb: traced(lb, product.package?.lb === undefined ? 'gallons times density' : `label, ${product.name}`),
      percent: traced(percent, substance === 'CaCO3' ? 'ECCE of the lime' : `label: percent ${substance}`),
    },
    {
      title: `${product.name}, a pound of ${substance}`,
      unit: `$ per lb ${substance}`,
      usedIn: 'Shelf: the order of the bags.',
    },
  );
  return isRefusal(figure) ? undefined : { figure, substance };
}

/** The filters of the shelf: one subject at a time, and any of the others with it. */
export const SUBJECTS = ['everything', 'nitrogen', 'potash', 'lime', 'sulfur', 'iron', 'liquid'] as const;
export type Subject = (typeof SUBJECTS)[number];
export const ONLY = ['on hand', 'no P2O5', 'half slow'] as const;
export type Only = (typeof ONLY)[number];

export const isAbout = (product: Product, subject: Subject): boolean => {
  const { guaranteed } = product;
  switch (subject) {
    case 'everything':
      return true;
    case 'nitrogen':
      return (guaranteed.N ?? 0) > 0;
    case 'potash':
      return (guaranteed.K2O ?? 0) > 0;
    case 'lime':
      return product.limeKind !== undefined;
    case 'sulfur':
      return (guaranteed['S-free'] ?? 0) > 0;
    case 'iron':
      return (guaranteed.Fe ?? 0) > 0;
    case 'liquid':
      return product.form === 'liquid';
  }
};

export const isOnly = (product: Product, only: Only): boolean =>
  only === 'on hand'
    ? (product.onHandLb ?? 0) > 0
    : only === 'no P2O5'
      ? !product.guaranteed.P2O5
      : (product.guaranteed.N ?? 0) > 0 && slowShare(product) >= 0.5;

/** The shelf in its groups, the cheaper pound first. */
export function shelved(products: readonly Product[]): { group: Group; products: Product[] }[] {
  const price = (product: Product) => priceFigure(product)?.figure.value ?? Infinity;
  return GROUPS.map((group) => ({
    group,
    products: products
      .filter((product) => groupOf(product) === group.id)
      .sort((a, b) => {
        const kind = group.id === 'ph' ? Number(!a.limeKind) - Number(!b.limeKind) : 0;
        const [x, y] = [price(a), price(b)];
        return kind || (x === y ? a.name.localeCompare(b.name) : x - y);
      }),
  })).filter((each) => each.products.length > 0);
}
