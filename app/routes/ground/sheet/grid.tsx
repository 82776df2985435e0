import { Group, Line, Rect, Text } from 'react-konva';
import { INK, SANS } from './ink';
import { LEFT, SHEET_HEIGHT, type SheetView, SQUARE_PX, toPx, TOP } from '../draft/sheet-view';
import { useUnits } from '../../../ui/format';

/** First multiple of `step` at or above `from`. */
const firstAt = (from: number, step: number): number => Math.ceil(from / step - 1e-9) * step;

/** Quarter-inch squares, a heavier line each inch, the ruler above and at the left. */
export function Grid({ view, width }: { view: SheetView; width: number }) {
  const square = view.ftPerInch / 4;
  const lines = (axis: 0 | 1) => {
    const [start, end] = axis === 0 ? [LEFT, width] : [TOP, SHEET_HEIGHT];
    const first = firstAt(view.from[axis], square);
    const count = Math.ceil((end - start) / SQUARE_PX) + 1;
    return Array.from({ length: count }, (_, i) => {
      const ft = first + i * square;
      const at = toPx(view, axis === 0 ? [ft, 0] : [0, ft])[axis];
      return { ft, at, heavy: Math.abs(ft / view.ftPerInch - Math.round(ft / view.ftPerInch)) < 1e-6 };
    }).filter(({ at }) => at >= start - 0.01 && at <= end);
  };
  return (
    <Group listening={false}>
      {lines(0).map(({ ft, at, heavy }) => (
        <Line
          key={`c${ft}`}
          points={[at, TOP, at, SHEET_HEIGHT]}
          stroke={heavy ? INK.firm : INK.rule}
          strokeWidth={heavy ? 0.9 : 0.5}
        />
      ))}
      {lines(1).map(({ ft, at, heavy }) => (
        <Line
          key={`r${ft}`}
          points={[LEFT, at, width, at]}
          stroke={heavy ? INK.firm : INK.rule}
          strokeWidth={heavy ? 0.9 : 0.5}
        />
      ))}
    </Group>
  );
}

/** The ruler lies over everything, so that its figures stay readable wherever the sheet is moved to. */
export function Ruler({ view, width }: { view: SheetView; width: number }) {
  const units = useUnits();
  const inch = view.ftPerInch;
  const figures = (axis: 0 | 1) => {
    const first = firstAt(view.from[axis], inch);
    const end = axis === 0 ? width : SHEET_HEIGHT;
    return Array.from({ length: 20 }, (_, i) => first + i * inch)
      .map((ft) => ({ ft, at: toPx(view, axis === 0 ? [ft, 0] : [0, ft])[axis] }))
      .filter(({ at }) => at <= end - 12);
  };
  const name = (ft: number) =>
    `${units.plain(units.inShown('length', ft), 1)}${ft === 0 ? ` ${units.unit('length')}` : ''}`;
  return (
    <Group listening={false}>
      <Rect x={0} y={0} width={width} height={TOP} fill="#F2F0E5" />
      <Rect x={0} y={0} width={LEFT} height={SHEET_HEIGHT} fill="#F2F0E5" />
      <Line points={[LEFT, SHEET_HEIGHT, LEFT, TOP, width, TOP]} stroke={INK.firm} strokeWidth={1.2} />
      {figures(0).map(({ ft, at }) => (
        <Text
          key={`t${ft}`}
          x={at - 30}
          y={7}
          width={60}
          align="center"
          text={name(ft)}
          fontFamily={SANS}
          fontSize={11.5}
          fill={INK.loam2}
        />
      ))}
      {figures(1)
        .filter(({ at }) => at > TOP + 10)
        .map(({ ft, at }) => (
          <Text
            key={`u${ft}`}
            x={0}
            y={at - 6}
            width={LEFT - 6}
            align="right"
            text={name(ft)}
            fontFamily={SANS}
            fontSize={11.5}
            fill={INK.loam2}
          />
        ))}
    </Group>
  );
}

/** Scale bar, what one square is, and north where the sheet knows where on earth it lies. */
export function TitleBlock({ view, width, northUp }: { view: SheetView; width: number; northUp: boolean }) {
  const units = useUnits();
  const inch = 4 * SQUARE_PX;
  const y = SHEET_HEIGHT - 34;
  const x = LEFT + 20;
  const halves = [0, 1, 2, 3];
  return (
    <Group listening={false}>
      <Rect x={x - 10} y={y - 10} width={2 * inch + 128} height={38} fill={INK.sheet} opacity={0.85} />
      {halves.map((i) => (
        <Rect
          key={i}
          x={x + (i * inch) / 2}
          y={y}
          width={inch / 2}
          height={6}
          fill={i % 2 === 0 ? INK.loam : INK.sheet}
          stroke={INK.loam}
          strokeWidth={1}
        />
      ))}
      {[0, 1, 2].map((i) => (
        <Text
          key={i}
          x={x + i * inch - 30}
          y={y + 9}
          width={60}
          align="center"
          text={`${units.plain(units.inShown('length', i * view.ftPerInch), 1)}${i === 2 ? ` ${units.unit('length')}` : ''}`}
          fontFamily={SANS}
          fontSize={11.5}
          fill={INK.loam}
        />
      ))}
      <Text
        x={x + 2 * inch + 16}
        y={y - 4}
        text={`one square is ${units.plain(units.inShown('length', view.ftPerInch / 4), 2)} ${units.unit('length')}`}
        fontFamily={SANS}
        fontSize={11.5}
        fill={INK.loam2}
      />
      {northUp && (
        <Group x={width - 34} y={SHEET_HEIGHT - 40}>
          <Line points={[0, 16, 0, -14]} stroke={INK.loam} strokeWidth={1.2} />
          <Line points={[-5, -4, 0, -16, 5, -4]} fill={INK.loam} closed />
          <Text
            x={-10}
            y={-30}
            width={20}
            align="center"
            text="N"
            fontFamily={SANS}
            fontSize={11.5}
            fontStyle="600"
            fill={INK.loam}
          />
        </Group>
      )}
    </Group>
  );
}
