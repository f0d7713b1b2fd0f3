import { add, scaled, type Point3 } from '../figure/point3';
import { slopeOf, type Field } from './field';

/** A closed surface of triangles: three numbers a point, three points a triangle, seen from outside against the clock. */
export interface Surface {
  readonly points: Float32Array<ArrayBuffer>;
  readonly normals: Float32Array<ArrayBuffer>;
  readonly index: Uint32Array<ArrayBuffer>;
}

export interface Box {
  readonly from: Point3;
  readonly to: Point3;
}

/** Grid points along the edge of a block that is looked at as a whole. */
const BLOCK = 4;
/** Fields are no exact distances: so many times farther than needed is sure. */
const SURE = 1.6;

/** The corners of a cell, by bits x, y, z. */
const CORNERS = [0, 1, 2, 3, 4, 5, 6, 7];
const EDGES = CORNERS.flatMap((a) => [1, 2, 4].filter((bit) => (a & bit) === 0).map((bit) => [a, a | bit] as const));

/**
 * The surface on which a field is zero, by surface nets (after Gibson, Constrained elastic surface nets, 1998): a point in each cell through which
 * it goes, moved onto the surface, and a square of triangles over each edge between inside and outside.
 * @param box in which all of it lies, with a cell to spare
 * @param cell edge of a cell, m
 */
export function surfaceOf(field: Field, { from, to }: Box, cell: number): Surface {
  const count = (a: number, b: number): number => Math.ceil((b - a) / cell) + 1;
  const [nx, ny, nz] = [count(from.x, to.x), count(from.y, to.y), count(from.z, to.z)];
  const at = (i: number, j: number, k: number): number => (i * ny + j) * nz + k;
  const place = (i: number, j: number, k: number): Point3 => ({
    x: from.x + i * cell,
    y: from.y + j * cell,
    z: from.z + k * cell,
  });
  const values = new Float32Array(nx * ny * nz);
  // Block by block: where the surface is farther than the block reaches, all of it is inside, or all outside.
  const half = (BLOCK - 1) / 2;
  for (let bi = 0; bi < nx; bi += BLOCK)
    for (let bj = 0; bj < ny; bj += BLOCK)
      for (let bk = 0; bk < nz; bk += BLOCK) {
        const middle = field(place(bi + half, bj + half, bk + half));
        const far = Math.abs(middle) > SURE * half * Math.sqrt(3) * cell;
        for (let i = bi; i < Math.min(nx, bi + BLOCK); i += 1)
          for (let j = bj; j < Math.min(ny, bj + BLOCK); j += 1)
            for (let k = bk; k < Math.min(nz, bk + BLOCK); k += 1)
              values[at(i, j, k)] = far ? middle : field(place(i, j, k));
      }

  const pointOf = new Int32Array(nx * ny * nz).fill(-1);
  const points: number[] = [];
  const normals: number[] = [];
  for (let i = 0; i < nx - 1; i += 1)
    for (let j = 0; j < ny - 1; j += 1)
      for (let k = 0; k < nz - 1; k += 1) {
        const corner = (bits: number): number => values[at(i + (bits & 1), j + ((bits >> 1) & 1), k + (bits >> 2))]!;
        let [sum, x, y, z] = [0, 0, 0, 0];
        for (const [a, b] of EDGES) {
          const [va, vb] = [corner(a), corner(b)];
          if (va < 0 === vb < 0) continue;
          const t = va / (va - vb);
          x += (a & 1) + t * ((b & 1) - (a & 1));
          y += ((a >> 1) & 1) + t * (((b >> 1) & 1) - ((a >> 1) & 1));
          z += (a >> 2) + t * ((b >> 2) - (a >> 2));
          sum += 1;
        }
        if (sum === 0) continue;
        let point = place(i + x / sum, j + y / sum, k + z / sum);
        // Onto the surface, along the slope: what is round is round.
        let normal = slopeOf(field, point, cell / 4);
        point = add(point, scaled(normal, -Math.max(-cell / 2, Math.min(cell / 2, field(point)))));
        normal = slopeOf(field, point, cell / 4);
        pointOf[at(i, j, k)] = points.length / 3;
        points.push(point.x, point.y, point.z);
        normals.push(normal.x, normal.y, normal.z);
      }

  const index: number[] = [];
  const square = (a: number, b: number, c: number, d: number, turned: boolean): void => {
    if (turned) index.push(a, c, b, a, d, c);
    else index.push(a, b, c, a, c, d);
  };
  for (let i = 1; i < nx - 1; i += 1)
    for (let j = 1; j < ny - 1; j += 1)
      for (let k = 1; k < nz - 1; k += 1) {
        const inside = values[at(i, j, k)]! < 0;
        const cellAt = (di: number, dj: number, dk: number): number => pointOf[at(i - di, j - dj, k - dk)]!;
        if (inside !== values[at(i + 1, j, k)]! < 0)
          square(cellAt(0, 1, 1), cellAt(0, 0, 1), cellAt(0, 0, 0), cellAt(0, 1, 0), !inside);
        if (inside !== values[at(i, j + 1, k)]! < 0)
          square(cellAt(1, 0, 1), cellAt(1, 0, 0), cellAt(0, 0, 0), cellAt(0, 0, 1), !inside);
        if (inside !== values[at(i, j, k + 1)]! < 0)
          square(cellAt(1, 1, 0), cellAt(0, 1, 0), cellAt(0, 0, 0), cellAt(1, 0, 0), !inside);
      }
  return { points: Float32Array.from(points), normals: Float32Array.from(normals), index: Uint32Array.from(index) };
}
