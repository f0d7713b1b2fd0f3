import type { Page } from '@playwright/test';

const WIDTH = 640;
const HEIGHT = 480;

/** The dark squares of the code that a sheet shows, row by row. */
async function squares(page: Page): Promise<boolean[][]> {
  const { size, path } = await page.locator('svg.code').evaluate((svg) => ({
    size: Number(svg.getAttribute('viewBox')!.split(' ')[2]) - 8,
    path: svg.querySelector('path')!.getAttribute('d')!,
  }));
  const rows = Array.from({ length: size }, () => Array.from({ length: size }, () => false));
  for (const [, x, y] of path.matchAll(/M(\d+) (\d+)h/g)) rows[Number(y)]![Number(x)] = true;
  return rows;
}

/** A code as one grey picture of the film, with its quiet edge. */
function frame(rows: readonly (readonly boolean[])[]): Buffer {
  const bright = Buffer.alloc(WIDTH * HEIGHT, 235);
  const side = Math.floor(HEIGHT / (rows.length + 8));
  const [left, top] = [WIDTH, HEIGHT].map((whole) => Math.floor((whole - side * rows.length) / 2)) as [number, number];
  rows.forEach((row, y) =>
    row.forEach((dark, x) => {
      if (!dark) return;
      for (let line = 0; line < side; line += 1) {
        const at = (top + y * side + line) * WIDTH + left + x * side;
        bright.fill(16, at, at + side);
      }
    }),
  );
  return Buffer.concat([Buffer.from('FRAME\n'), bright, Buffer.alloc((WIDTH * HEIGHT) / 2, 128)]);
}

/** All codes of a log as pictures, and as a film for a camera (YUV4MPEG2), each for a second and a half. */
export async function codesOf(page: Page): Promise<{ readonly pictures: Buffer[]; readonly film: Buffer }> {
  const pictures: Buffer[] = [];
  const frames: Buffer[] = [];
  const next = page.getByRole('button', { name: 'The next code' });
  for (;;) {
    pictures.push(await page.locator('svg.code').screenshot());
    const one = frame(await squares(page));
    frames.push(...Array.from({ length: 15 }, () => one));
    if ((await next.count()) === 0 || (await next.isDisabled())) break;
    await next.click();
  }
  const head = Buffer.from(`YUV4MPEG2 W${WIDTH} H${HEIGHT} F10:1 Ip A1:1 C420jpeg\n`);
  return { pictures, film: Buffer.concat([head, ...frames]) };
}
