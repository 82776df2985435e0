import { Text } from 'react-konva';
import type { Pair } from '@core/reckoning/inputs';
import { INK, SANS, SERIF } from './ink';

interface LetteringProps {
  at: Pair;
  text: string;
  size?: number;
  bold?: boolean;
  serif?: boolean;
  italic?: boolean;
  fill?: string;
  /** Degrees clockwise. */
  turn?: number;
  halo?: string;
}

/** Words on the sheet, centred on a point, with a halo of the ground they lie on. */
export function Lettering({
  at,
  text,
  size = 13,
  bold,
  serif,
  italic,
  fill = INK.loam,
  turn = 0,
  halo = INK.sheet,
}: LetteringProps) {
  const width = 220;
  return (
    <Text
      x={at[0]}
      y={at[1]}
      offsetX={width / 2}
      offsetY={size * 0.55}
      width={width}
      align="center"
      rotation={turn}
      text={text}
      fontFamily={serif ? SERIF : SANS}
      fontSize={size}
      fontStyle={`${italic ? 'italic ' : ''}${bold ? '600' : '400'}`}
      fill={fill}
      stroke={halo}
      strokeWidth={4}
      lineJoin="round"
      fillAfterStrokeEnabled
      listening={false}
    />
  );
}
