import type { Zone } from '@core/records/case';
import { HATCHES } from '../../../ui/hatches';

/** The tokens of theme/tokens.css that the canvas needs: it cannot read custom properties. */
export const INK = {
  loam: '#2A2017',
  loam2: '#54483B',
  loam3: '#685C4E',
  moss: '#3D5F22',
  wash: '#E1E9CF',
  growth: '#6B8745',
  rule: '#C4C5B1',
  firm: '#A9A894',
  sheet: '#FBF9F1',
  lichen: '#E6E8D8',
  clay: '#9E3620',
  slate: '#34567A',
  slateWash: '#DEE6EC',
  sulfur: '#735500',
  sulfurWash: '#F7EDC4',
};
export const SANS = "'Source Sans 3 Variable', sans-serif";
export const SERIF = "'Vollkorn Variable', serif";

const drawn = new Map<string, HTMLCanvasElement>();

function canvasOf(key: string, width: number, height: number, paint: (pen: CanvasRenderingContext2D) => void) {
  const before = drawn.get(key);
  if (before) return before;
  const canvas = document.createElement('canvas');
  const sharp = 2;
  [canvas.width, canvas.height] = [width * sharp, height * sharp];
  const pen = canvas.getContext('2d');
  if (pen) {
    pen.scale(sharp, sharp);
    paint(pen);
  }
  drawn.set(key, canvas);
  return canvas;
}

/** A grass's hatch as a repeating picture, at twice the size for sharp screens; scale it by a half. */
export const hatchPicture = (grass: Zone['grass'], wash: boolean): HTMLCanvasElement => {
  const { width, height, path, stroke } = HATCHES[grass];
  return canvasOf(`${grass}${wash}`, width, height, (pen) => {
    pen.fillStyle = wash ? INK.wash : INK.sheet;
    pen.fillRect(0, 0, width, height);
    pen.strokeStyle = INK.growth;
    pen.lineWidth = stroke;
    pen.stroke(new Path2D(path));
  });
};

/** Dots of ground claimed twice. */
export const dotsPicture = (): HTMLCanvasElement =>
  canvasOf('claimed-twice', 5, 5, (pen) => {
    pen.fillStyle = INK.sulfurWash;
    pen.fillRect(0, 0, 5, 5);
    pen.fillStyle = INK.sulfur;
    pen.beginPath();
    pen.arc(1.5, 1.5, 0.9, 0, 2 * Math.PI);
    pen.fill();
  });
