import { TestBed } from '@angular/core/testing';
import { firstValueFrom } from 'rxjs';
import { bodyOf, builtInExercises, softSchool, stillPose } from '@pomek/core';
import { render } from '../../../testing/render';
import { opened } from '../../../testing/worker.client';
import { BodyForms } from './body-forms';
import { BodyInSpace } from './body-in-space';
import { lookOf } from './look';

const body = bodyOf({ stature: 1.7, mass: 70 });
const tree = builtInExercises.find(({ id }) => id === 'tree-holding')!;

test('where nothing can be drawn in space the outline is shown, in the view that was chosen', async () => {
  const pose = stillPose(body, tree.posture, softSchool, 'right');
  const square = stillPose(body, tree.posture, softSchool, 'right', true);
  const page = await render(BodyInSpace, { pose, flat: square, view: 'side', text: 'Holding the tree.' });
  const drawing = page.element.querySelector('pk-figure svg');
  expect(drawing?.getAttribute('aria-label')).toBe('Holding the tree.');
  // Seen square to the foot the toe line stands.
  expect(drawing?.querySelector('.toe-line')).not.toBeNull();
  expect(page.element.querySelector('canvas')).toBeNull();
});

test('in a mirror each side wears the pattern of the other, as the image of who looks does', async () => {
  const pose = stillPose(body, tree.posture, softSchool, 'right');
  const fills = (page: { element: HTMLElement }) =>
    [...page.element.querySelectorAll('.texture')].map((part) => /left|right/.exec(part.getAttribute('fill')!)![0]);
  const plain = fills(await render(BodyInSpace, { pose, view: 'front' }));
  const mirrored = fills(await render(BodyInSpace, { pose, view: 'front', mirrored: true }));
  expect(plain.length).toBeGreaterThan(4);
  expect(mirrored).toEqual(plain.map((side) => (side === 'left' ? 'right' : 'left')));
});

test('the surface of a body is made once, whoever asks, and those looked at longest ago are let go', async () => {
  const forms = TestBed.inject(BodyForms);
  const first = await firstValueFrom(forms.of(body));
  expect(first.map(({ stuff }) => stuff)).toContain('jacket');
  const before = opened.count;
  expect(await firstValueFrom(forms.of(bodyOf({ stature: 1.7, mass: 70 })))).toBe(first);
  expect(opened.count).toBe(before);
  const asked = forms.of(body);
  for (const stature of [1.5, 1.55, 1.6, 1.65, 1.75, 1.8]) forms.of(bodyOf({ stature, mass: 60 }));
  expect(forms.of(body)).not.toBe(asked);
});

test('its colours are those of the light of the page, and change with it', async () => {
  const look = TestBed.runInInjectionContext(lookOf);
  const day = look();
  document.documentElement.classList.add('hall');
  await new Promise((resolve) => setTimeout(resolve));
  expect(look().floor).not.toBe(day.floor);
  document.documentElement.classList.remove('hall');
  await new Promise((resolve) => setTimeout(resolve));
  expect(look()).toEqual(day);
});
