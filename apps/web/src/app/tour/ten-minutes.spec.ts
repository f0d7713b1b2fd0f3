import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { tenMinutes } from '@pomek/core';
import { render } from '../../../testing/render';
import { TenMinutes } from './ten-minutes';

test('each part has its steps, a picture that there is, and a way to its place', async () => {
  const page = await render(TenMinutes);
  const sections = [...page.element.querySelectorAll('section')];
  expect(sections).toHaveLength(tenMinutes.length);
  for (const [at, part] of tenMinutes.entries()) {
    const section = sections[at]!;
    expect(section.querySelectorAll('li')).toHaveLength(part.steps.length);
    const picture = section.querySelector('img')!;
    expect(picture.getAttribute('src')).toBe(`/pictures/${part.picture}.png`);
    expect(picture.alt).toBe(part.shows);
    expect(section.querySelector('a')!.getAttribute('href')).toBe(part.path);
    expect(existsSync(join(__dirname, '../../../../../docs/screenshots', `${part.picture}.png`))).toBe(true);
  }
});
