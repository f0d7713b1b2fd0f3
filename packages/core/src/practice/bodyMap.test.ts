import { bodyMap, hurtSpots, painPlaces, shakePlaces, shookToggled, whereChosen, whereTapped } from '.';

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

test('a tap tells the side, a place from the list none, and what was written stays', () => {
  const nothing = { painPlace: null, painWhere: '' };
  const spot = (words: string) => map.pain.find((entry) => entry.words === words)!;
  const knee = whereTapped(map.pain, nothing, spot('left knee'));
  expect(knee).toEqual({ painPlace: 'knee', painWhere: 'left knee' });
  expect(hurtSpots(map.pain, knee)).toEqual(['left knee']);
  expect(whereTapped(map.pain, knee, spot('low back'))).toEqual({ painPlace: 'low back', painWhere: '' });
  expect(whereChosen(map.pain, knee, 'hip')).toEqual({ painPlace: 'hip', painWhere: '' });
  expect(hurtSpots(map.pain, { painPlace: 'hip', painWhere: '' })).toEqual(['left hip', 'right hip']);
  const own = { painPlace: 'knee' as const, painWhere: 'inside, on stairs' };
  expect(whereTapped(map.pain, own, spot('right knee'))).toEqual({ painPlace: 'knee', painWhere: 'inside, on stairs' });
  expect(whereChosen(map.pain, own, 'hip').painWhere).toBe('inside, on stairs');
});

test('a place on both sides is one stop of the keyboard where its name is one', () => {
  for (const { again, side } of map.shook) expect(again).toBe(side === 'right');
  expect(map.pain.some(({ again }) => again)).toBe(false);
});
