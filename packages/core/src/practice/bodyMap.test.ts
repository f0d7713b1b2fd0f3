import { bodyMap, painPlaces, shakePlaces, shookToggled } from '.';

const map = bodyMap();

test('every place that can hurt or shake is on the body, but for what is elsewhere', () => {
  expect(new Set(map.pain.map(({ place }) => place))).toEqual(
    new Set(painPlaces.filter((place) => place !== 'elsewhere')),
  );
  expect(new Set(map.shook.map(({ place }) => place))).toEqual(new Set(shakePlaces));
});

test('seen from behind, left is left; each place is as high as it is on a body', () => {
  const where = (words: string) => map.pain.find((spot) => spot.words === words)!;
  expect(where('left knee').x).toBeLessThan(map.width / 2);
  expect(where('right knee').x).toBeGreaterThan(map.width / 2);
  const heights = ['neck', 'low back', 'left hip', 'left knee', 'left ankle or foot'].map((words) => where(words).y);
  expect(heights).toEqual(heights.toSorted((a, b) => a - b));
});

test('two places that are told apart are a finger apart', () => {
  for (const spots of [map.pain, map.shook])
    for (const [index, one] of spots.entries())
      for (const other of spots.slice(index + 1))
        // Drawn half as large again, a finger needs 7 mm, some 27 px (common practice for touch): 18 here.
        expect([one.words, other.words, Math.hypot(one.x - other.x, one.y - other.y) >= 18]).toEqual([
          one.words,
          other.words,
          true,
        ]);
});

test('a place is tapped on and off', () => {
  expect(shookToggled([], 'thighs')).toEqual(['thighs']);
  expect(shookToggled(['thighs', 'arms'], 'thighs')).toEqual(['arms']);
});
