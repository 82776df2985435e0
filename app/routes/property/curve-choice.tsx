import { Select } from 'antd';
import { seasonLength } from '@core/climate/day-curves';
import type { ZoneSeason } from '@core/season/plan/season-plan';
import type { Curve } from '../../work/year-curves';

/** The ribbon as it is drawn by default: growth, no other curve over it. */
export const GROWTH_ALONE = 'growth';

/** Which curve the ribbon draws over the growth. */
export function CurveChoice({
  curves,
  chosen,
  zoneSeason,
  onChoose,
}: {
  curves: readonly Curve[];
  chosen: Curve['id'] | undefined;
  zoneSeason: ZoneSeason | undefined;
  onChoose: (id: string) => void;
}) {
  if (curves.length === 0 || !zoneSeason?.season) return null;
  const { frostFreeDays } = seasonLength(zoneSeason.season);
  return (
    <Select
      className="curve no-phone"
      aria-label="Curve over the growth"
      variant="borderless"
      size="small"
      value={chosen ?? GROWTH_ALONE}
      onChange={onChoose}
      options={[
        { value: GROWTH_ALONE, label: `${frostFreeDays} d frost-free` },
        ...curves.map(({ id, name, lines }) => ({
          value: id,
          label: `with ${name.toLowerCase()}${lines[0]?.name ? `, ${lines[0].name}` : ''}`,
        })),
      ]}
      popupMatchSelectWidth={false}
      virtual={false}
    />
  );
}
