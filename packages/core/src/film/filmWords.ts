import { filmFigureKinds, type FilmFigureId } from './figures';
import type { FilmFigure } from './readStill';
import type { FilmFrom } from './still';

/** A figure’s size in its unit: “3.2 cm”, “31°”. */
export function inUnit(value: number, unit: FilmFigure['unit']): string {
  const size = Math.abs(value);
  if (unit === 'cm') return `${size.toFixed(size < 9.95 ? 1 : 0)} cm`;
  return `${Math.round(size)}${unit === '%' ? ' %' : '°'}`;
}

/** What each figure is called, and what its sign means. */
const names: Record<FilmFigureId, { readonly name: string; readonly plus: string; readonly minus: string }> = {
  'knee bend': { name: 'knee bent', plus: '', minus: '' },
  'shin lean': { name: 'shin leans', plus: 'ahead', minus: 'back' },
  'knee past toes': { name: 'knee', plus: 'past the toe line', minus: 'behind the toe line' },
  'heel up': { name: 'heel', plus: 'above the toes', minus: 'below the toes' },
  'trunk lean': { name: 'trunk leans', plus: 'ahead', minus: 'back' },
  'arm raised': { name: 'arm raised', plus: '', minus: 'to the back' },
  'elbow bend': { name: 'elbow bent', plus: '', minus: '' },
  'elbow below shoulder': { name: 'elbow', plus: 'below the shoulder', minus: 'above the shoulder' },
  'wrist above shoulder': { name: 'wrist', plus: 'above the shoulder', minus: 'below the shoulder' },
  'head ahead': { name: 'ear', plus: 'ahead of the shoulder', minus: 'behind the shoulder' },
  'knee inward': { name: 'knee', plus: 'inside the line of the foot', minus: 'outside the line of the foot' },
  'trunk aside': { name: 'trunk leans', plus: 'to the right', minus: 'to the left' },
  'shoulder higher': { name: 'shoulders', plus: 'higher on the right', minus: 'higher on the left' },
  'hip higher': { name: 'hips', plus: 'higher on the right', minus: 'higher on the left' },
  armpit: { name: 'upper arm away from the side', plus: '', minus: 'across the body' },
  'feet apart': { name: 'feet apart, ankle to ankle', plus: '', minus: '' },
  weight: { name: 'weight on the right leg, likely', plus: '', minus: '' },
};

const sideName = ({ side }: Pick<FilmFigure, 'side'>): string => (side === 'both' ? '' : `${side} `);
/** What a figure is called: “left knee bent”. */
export const figureName = (figure: Pick<FilmFigure, 'id' | 'side'>): string =>
  `${filmFigureKinds[figure.id].sided ? sideName(figure) : ''}${names[figure.id].name}`;

/** What its curve is called, with what is drawn upwards: “right knee past the toe line”. */
export const curveName = (figure: Pick<FilmFigure, 'id' | 'side'>): string =>
  `${figureName(figure)} ${names[figure.id].plus}`.trimEnd();

/** A value of a figure with what its sign means: “3.1 cm past the toe line”. */
export function figureValue({ id, unit }: Pick<FilmFigure, 'id' | 'unit'>, value: number): string {
  const way = value < 0 ? names[id].minus : names[id].plus;
  return `${inUnit(value, unit)}${way === '' ? '' : ` ${way}`}`;
}

/** From where to where a figure goes: “21 cm to 8.0 cm behind the toe line”. */
export function figureSpan(figure: Pick<FilmFigure, 'id' | 'unit'>, least: number, most: number): string {
  const [from, to] = [figureValue(figure, least), figureValue(figure, most)];
  if (inUnit(least, figure.unit) === inUnit(most, figure.unit)) return to;
  const sameWay = least < 0 === most < 0;
  return `${sameWay ? inUnit(least, figure.unit) : from} to ${to}`;
}

/** A figure in words: “left knee 3.1 ± 0.8 cm past the toe line”. */
export const figureSaid = (figure: FilmFigure): string => `${figureName(figure)} ${figureSeen(figure)}`;

/** What is seen, with its error: “3.1 ± 0.8 cm past the toe line”. */
export function figureSeen(figure: FilmFigure): string {
  const { id, unit, value, error } = figure;
  const way = value < 0 ? names[id].minus : names[id].plus;
  const digits = unit === 'cm' && Math.abs(value) < 9.95 ? 1 : 0;
  const sign = unit === '°' ? '°' : ` ${unit}`;
  const size = `${Math.abs(value).toFixed(digits)} ± ${Math.max(error, unit === 'cm' ? 0.1 : 1).toFixed(digits)}${sign}`;
  return `${size}${way === '' ? '' : ` ${way}`}`;
}

/** From where a still is seen: “from the left”. */
export const filmFromWords = (from: FilmFrom): string => (from === 'behind' ? 'from behind' : `from the ${from}`);
