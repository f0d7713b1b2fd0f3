import { inflateSync } from 'node:zlib';
import { checkpoints } from '../alignment/checkpoints';
import { bodyOf, standardBody } from '../body/body';
import { TEST_STANCE } from '../endurance/capacity';
import { stillPose } from '../figure/figurePose';
import type { FigurePose } from '../figure/pose';
import { builtInExercises } from '../library/builtInExercises';
import type { Posture } from '../library/exercise';
import { seededRandom, type Random } from '../random';
import { builtInSchools, softSchool } from '../schools/builtInSchools';
import { shelf } from '../testing/samples';
import { bodyPicture } from './bodyPicture';
import { doorSeen, filmCamera as camera, marksSeen, seenBy, type FilmCamera } from './filmCamera';
import { comparedFigures } from './comparedFigures';
import { figureSaid, figureValue, inUnit } from './filmWords';
import { LONGEST_PICTURE, PictureSchema, pictureBytes } from './picture';
import { drawingOver, drawnLines, jointOf, laidOver, poseMarks, poseOver, seenAt } from './poseMarks';
import { stanceSeen, stillTerms } from './stillTerms';
import { newStudent } from '../students/newStudent';
import { crc32 } from '../text/crc32';
import { readStill, type FilmFigure, type StillReading, type StillTerms } from './readStill';
import {
  type FilmSpot,
  type MarkName,
  markWords,
  marksWanted,
  newStill,
  nextMark,
  seenFrom,
  StillSchema,
  type FilmFrom,
  type Still,
} from './still';

/** The joints as a camera sees them, each marked up to `slip` px beside. */
const filmedMarks = (pose: FigurePose, view: FilmCamera, random: Random, { slip = 0, turnDeg = 0 } = {}) => {
  const off = (): number => (random() * 2 - 1) * slip;
  return Object.fromEntries(
    Object.entries(marksSeen(view, pose, turnDeg)).map(([name, { x, y }]) => [name, { x: x + off(), y: y + off() }]),
  ) as Partial<Record<MarkName, FilmSpot>>;
};
const plumbSeen = doorSeen;
/** A tape of 1.80 m that hangs where the body stands. */
const tapeSeen = (view: FilmCamera) => ({
  from: seenBy(view, { x: -0.6, y: 1.9, z: 0 }),
  to: seenBy(view, { x: -0.6, y: 0.1, z: 0 }),
});

const tree = shelf.get('tree-holding')!;
const poseOf = (change: Partial<Posture> = {}, from: FilmFrom = 'right'): FigurePose =>
  stillPose(standardBody, { ...tree.posture, ...change }, softSchool, 'right', from === 'right' || from === 'left');

const still = (change: Partial<Still>): Still =>
  newStill({
    id: 's',
    studentId: 'x',
    day: '2026-03-12',
    name: 'Tree',
    width: 1280,
    height: 1600,
    bytes: 1,
    ...change,
  });

interface Taken {
  readonly pose: FigurePose;
  readonly view?: Partial<FilmCamera>;
  readonly slip?: number;
  readonly turnDeg?: number;
  readonly seed?: number;
  readonly plumbed?: boolean;
  readonly terms?: Partial<StillTerms>;
  readonly change?: Partial<Still>;
}

/** A figure filmed by a camera, marked, and read. */
function taken({
  pose,
  view = {},
  slip = 0,
  turnDeg = 0,
  seed = 1,
  plumbed = true,
  terms,
  change,
}: Taken): StillReading {
  const seen = camera(view);
  const picture = still({
    from: seen.from,
    scale: seen.from === 'right' || seen.from === 'left' ? 'foot' : 'trunk',
    marks: filmedMarks(pose, seen, seededRandom(seed), { slip, turnDeg }),
    plumb: plumbed ? plumbSeen(seen) : null,
    ...change,
  });
  return readStill(picture, {
    body: pose.body,
    known: 'measured',
    pose,
    asked: true,
    checkpoints: tree.checkpoints,
    ...terms,
  });
}

const figureOf = (reading: StillReading, id: FilmFigure['id'], side?: string): FilmFigure => {
  const found = reading.figures.find((figure) => figure.id === id && (side === undefined || figure.side === side));
  if (found === undefined) throw new Error(`${id} was not read: ${reading.problems.join(' ')}`);
  return found;
};
const valueOf = (reading: StillReading, id: FilmFigure['id'], side?: string): number =>
  figureOf(reading, id, side).value;
const verdictOf = (reading: StillReading, id: string): string =>
  reading.points.find(({ checkpoint }) => checkpoint.id === id)!.verdict;

const cameras: Record<string, Partial<FilmCamera>> = {
  'at knee height, near': { away: 2.6, high: 0.5 },
  'at the breast, beside, tilted': { away: 4, high: 1.2, beside: 0.25, roll: 4 },
  'far, on a shelf': { away: 6, high: 1.7, beside: -0.4, roll: -3, focal: 2600 },
};

describe.each(Object.entries(cameras))('a figure of known truth, filmed %s', (_name, view) => {
  const asked = { kneeBendDeg: 40, trunkPitchDeg: 8, shoulderRaiseDeg: 50, elbowBendDeg: 60 };

  test.each(['right', 'left'] as const)('from the %s: angles within 2°, the knee line within 1.5 cm', (from) => {
    const pose = stillPose(standardBody, { ...tree.posture, ...asked }, softSchool, from, true);
    for (let seed = 1; seed <= 20; seed += 1) {
      const reading = taken({ pose, view: { ...view, from }, slip: 1.5, seed, change: { awayM: view.away! } });
      expect(reading.problems).toEqual([]);
      // What the posture was built from, and what the statics say of it.
      const truth: Partial<Record<FilmFigure['id'], number>> = {
        'knee bend': asked.kneeBendDeg,
        'shin lean': pose.statics!.shankTiltDeg,
        'trunk lean': asked.trunkPitchDeg,
      };
      for (const [id, value] of Object.entries(truth)) {
        const figure = figureOf(reading, id as FilmFigure['id']);
        expect(Math.abs(figure.value - value)).toBeLessThan(2);
        expect(Math.abs(figure.value - value)).toBeLessThan(figure.error);
      }
      const knee = figureOf(reading, 'knee past toes');
      expect(Math.abs(knee.value - 100 * pose.statics!.kneePastToes)).toBeLessThan(1.5);
    }
  });

  test('from the front: knees over the feet, weight, lean and heights within what is said', () => {
    const farther: boolean[] = [];
    for (const weightShare of [0.5, 0.7]) {
      const pose = poseOf({ ...asked, trunkPitchDeg: 0, weightShare }, 'front');
      for (let seed = 1; seed <= 20; seed += 1) {
        const reading = taken({ pose, view: { ...view, from: 'front' }, slip: 3, seed });
        for (const { id, value, asked: truth, error } of reading.figures) {
          const far = Math.abs(value - truth!) / error;
          expect({ id, within: far < 1.5 }).toEqual({ id, within: true });
          farther.push(far > 1);
        }
        expect(Math.abs(valueOf(reading, 'trunk aside'))).toBeLessThan(2);
      }
      const weight = figureOf(taken({ pose, view: { from: 'front' } }), 'weight');
      expect(Math.abs(weight.asked! - 100 * weightShare)).toBeLessThan(weight.error);
    }
    // Nineteen of twenty lie within what is said.
    expect(farther.filter((far) => far).length / farther.length).toBeLessThan(0.05);
  });
});

describe('a body turned out of the picture', () => {
  const pose = poseOf({ kneeBendDeg: 40, trunkPitchDeg: 8 });

  test.each([5, 10, 15, 20, 30, 45])('by %d° is widened or refused, never given as exact', (turnDeg) => {
    for (const known of ['measured', 'stature'] as const) {
      for (const turn of [turnDeg, -turnDeg]) {
        const reading = taken({ pose, turnDeg: turn, slip: 3, terms: { known } });
        if (reading.figures.length === 0) {
          expect(reading.problems.join()).toMatch(/turned some \d+° away from the camera/);
          continue;
        }
        for (const [id, truth] of [
          ['knee bend', 40],
          ['trunk lean', 8],
          ['knee past toes', 100 * pose.statics!.kneePastToes],
        ] as const) {
          const figure = figureOf(reading, id);
          expect(Math.abs(figure.value - truth)).toBeLessThan(figure.error);
        }
      }
    }
  });

  test('is refused from 30° on, and says how to film it', () => {
    const reading = taken({ pose, turnDeg: 30 });
    expect(reading.figures).toEqual([]);
    expect(reading.problems.join()).toContain('square to the foot');
    expect(reading.points.every(({ verdict }) => verdict === 'cannot be judged')).toBe(true);
  });

  test('from the front it is refused when the shoulders look too narrow', () => {
    const facing = poseOf({}, 'front');
    expect(taken({ pose: facing, view: { from: 'front' }, turnDeg: 50 }).problems.join()).toContain(
      'from straight ahead',
    );
    expect(taken({ pose: facing, view: { from: 'front' }, turnDeg: 8 }).problems).toEqual([]);
  });
});

describe('what is asked is an ordinary picture (common practice)', () => {
  const drills = builtInExercises.filter(({ posture }) => !posture.seated);

  test.each(['right', 'front'] as const)(
    'no exercise of the shelf, done as it is asked and seen from the %s, is outside',
    (from) => {
      for (const school of builtInSchools) {
        for (const drill of drills) {
          const pose = stillPose(standardBody, drill.posture, school, 'right', from === 'right');
          const reading = taken({
            pose,
            view: { from },
            slip: 1,
            terms: { checkpoints: checkpoints('torso-upright', 'feet-flat', 'shoulders-hang', 'crown-up') },
          });
          expect(
            reading.points.filter(({ verdict }) => verdict === 'outside').map(({ why }) => `${drill.id}: ${why}`),
          ).toEqual([]);
        }
      }
    },
  );

  test('a tree-holding stand from the side and from the front: nothing is outside, and what can be judged is', () => {
    const side = taken({ pose: poseOf(), slip: 2 });
    expect(verdictOf(side, 'knees-track')).toBe('within');
    expect(verdictOf(side, 'elbows-low')).toBe('within');
    const front = taken({ pose: poseOf({}, 'front'), view: { from: 'front' }, slip: 2 });
    expect(verdictOf(front, 'knees-track')).toBe('within');
    expect([...side.points, ...front.points].map(({ verdict }) => verdict)).not.toContain('outside');
  });
});

describe('faults are seen', () => {
  test('a knee past the toe line, by how much, and at the limit', () => {
    // The deeper over the toes, the further the knee goes.
    const past = (kneeBendDeg: number) => {
      const pose = poseOf({ kneeBendDeg, pressurePoint: 0.9 });
      const reading = taken({ pose, terms: { checkpoints: checkpoints('knees-track') } });
      return { truth: 100 * pose.statics!.kneePastToes, ...reading.points[0]! };
    };
    const [behind, slightly, far] = [past(20), past(38), past(90)];
    expect(behind).toMatchObject({ verdict: 'within' });
    expect(slightly.truth).toBeGreaterThan(0);
    expect(slightly).toMatchObject({ verdict: 'at the limit' });
    expect(slightly.said).toContain('less than it may be off');
    expect(far).toMatchObject({ verdict: 'outside' });
    expect(far.said).toBe(`outside by ${inUnit(far.figure!.value, 'cm')}`);
    expect(far.why).toMatch(/^right knee \d+ ± \d+ cm past the toe line\.$/);
    expect(Math.abs(far.figure!.value - far.truth)).toBeLessThan(1.5);
  });

  test('a knee that falls in, seen from the front; the mirror image says the same of the other side', () => {
    const pose = poseOf({ kneeBendDeg: 40 }, 'front');
    const fallen = (side: 'left' | 'right'): FigurePose => {
      const leg = pose.legs[side];
      const inward = side === 'right' ? -0.08 : 0.08;
      return { ...pose, legs: { ...pose.legs, [side]: { ...leg, knee: { ...leg.knee, z: leg.knee.z + inward } } } };
    };
    for (const side of ['left', 'right'] as const) {
      const reading = taken({ pose: fallen(side), view: { from: 'front' }, terms: { pose } });
      const before = valueOf(taken({ pose, view: { from: 'front' } }), 'knee inward', side);
      expect(valueOf(reading, 'knee inward', side) - before).toBeCloseTo(8, 0);
      expect(verdictOf(reading, 'knees-track')).toBe('outside');
      expect(reading.points.find(({ checkpoint }) => checkpoint.id === 'knees-track')!.why).toContain(`${side} knee`);
    }
  });

  test('a lean, a lifted heel, an elbow above its shoulder, a head ahead', () => {
    const pose = poseOf();
    const points = checkpoints('torso-upright', 'feet-flat', 'elbows-low', 'crown-up');
    const seen = (change: Partial<FigurePose>): StillReading =>
      taken({ pose: { ...pose, ...change }, terms: { pose, checkpoints: points } });
    const moved = (up: number, ahead: number) => (at: { x: number; y: number; z: number }) => ({
      ...at,
      x: at.x + ahead,
      y: at.y + up,
    });
    const arm = pose.arms.right;
    const heel = pose.feet.right;
    expect(
      verdictOf(taken({ pose: poseOf({ trunkPitchDeg: 25 }), terms: { pose, checkpoints: points } }), 'torso-upright'),
    ).toBe('outside');
    expect(
      verdictOf(seen({ feet: { ...pose.feet, right: { ...heel, heel: moved(0.05, 0)(heel.heel) } } }), 'feet-flat'),
    ).toBe('outside');
    expect(
      verdictOf(
        seen({ arms: { ...pose.arms, right: { ...arm, elbow: { ...arm.elbow, y: arm.shoulder.y + 0.08 } } } }),
        'elbows-low',
      ),
    ).toBe('outside');
    expect(verdictOf(seen({ head: moved(0, 0.14)(pose.head) }), 'crown-up')).toBe('outside');
  });
});

describe('scale and plumb', () => {
  const pose = poseOf({ kneeBendDeg: 40 });

  test('a known length on the floor gives the same as the foot', () => {
    const view = camera();
    const { from: a, to: b } = tapeSeen(view);
    const byLength = taken({ pose, change: { scale: 'length', length: { from: a, to: b, cm: 180 } } });
    expect(valueOf(byLength, 'knee past toes')).toBeCloseTo(valueOf(taken({ pose }), 'knee past toes'), -0.3);
  });

  test('a tilted camera is put right by what is plumb; without it the error is wider', () => {
    const tilted = taken({ pose, view: { roll: 6 } });
    const straight = taken({ pose });
    expect(valueOf(tilted, 'shin lean')).toBeCloseTo(valueOf(straight, 'shin lean'), 5);
    const unplumbed = taken({ pose, plumbed: false });
    expect(figureOf(unplumbed, 'shin lean').error).toBeGreaterThan(figureOf(straight, 'shin lean').error);
  });

  test('a body of which nothing is known is read with a wider error', () => {
    const error = (known: StillTerms['known']): number =>
      figureOf(taken({ pose, terms: { known } }), 'elbow below shoulder').error;
    expect(error('stature')).toBeGreaterThan(error('measured'));
    expect(error('nothing')).toBeGreaterThan(error('stature'));
  });

  test('a measured foot is the scale', () => {
    const body = bodyOf({ stature: 1.7, mass: 70, foot: 0.3 });
    const long = stillPose(body, tree.posture, softSchool, 'right', true);
    expect(taken({ pose: long }).cmPerPx).toBeCloseTo(taken({ pose: poseOf() }).cmPerPx!, 2);
  });

  test('without a scale lengths are not read, angles are, and it is said', () => {
    const reading = taken({ pose, change: { scale: 'length', length: null } });
    expect(reading.figures.map(({ unit }) => unit)).not.toContain('cm');
    expect(reading.figures.map(({ id }) => id)).toContain('knee bend');
    expect(reading.points.find(({ checkpoint }) => checkpoint.id === 'elbows-low')!.why).toContain('size is not known');
  });
});

describe('marking', () => {
  test('marks come one after the other, from the ground up, and only those that a view has', () => {
    expect(marksWanted('left')).toEqual([
      'toe left',
      'heel left',
      'ankle left',
      'knee left',
      'hip left',
      'wrist left',
      'elbow left',
      'shoulder left',
      'head',
    ]);
    expect(marksWanted('front')).toHaveLength(15);
    expect(marksWanted('behind').some((name) => name.startsWith('toe'))).toBe(false);
    const picture = still({ from: 'left', marks: { 'toe left': { x: 1, y: 1 } } });
    expect(nextMark(picture)).toBe('heel left');
    expect(nextMark({ from: 'left', marks: poseMarks(poseOf({}, 'left'), 'left'), found: [] })).toBeNull();
    expect(markWords('toe left', 'front')).toBe('left second toe');
    expect(markWords('head', 'left')).toBe('ear');
  });

  test('what is missing is named, and the rest is read', () => {
    const marks = { ...filmedMarks(poseOf(), camera(), seededRandom(1)) };
    delete marks['toe right'];
    const reading = taken({ pose: poseOf(), change: { marks } });
    expect(reading.missing).toEqual(['toe right']);
    expect(verdictOf(reading, 'knees-track')).toBe('cannot be judged');
    expect(reading.points.find(({ checkpoint }) => checkpoint.id === 'knees-track')!.why).toBe('Mark the right toe.');
    expect(reading.figures.map(({ id }) => id)).toContain('knee bend');
  });

  test('a picture that is mirrored, or of the other side, is told', () => {
    expect(taken({ pose: poseOf(), change: { from: 'right' } }).problems).toEqual([]);
    const marks = filmedMarks(poseOf(), camera(), seededRandom(1));
    const flipped = Object.fromEntries(Object.entries(marks).map(([name, { x, y }]) => [name, { x: 1280 - x, y }]));
    expect(taken({ pose: poseOf(), change: { marks: flipped } }).problems.join()).toContain('mirrored');
  });

  test('the same seen from elsewhere keeps what fits and drops the rest', () => {
    const picture = still({ from: 'right', marks: poseMarks(poseOf(), 'right') });
    const front = seenFrom(picture, 'front');
    expect(front.scale).toBe('trunk');
    expect(Object.keys(front.marks)).not.toContain('heel right');
    expect(front.marks['knee right']).toEqual(picture.marks['knee right']);
    expect(StillSchema.parse(front)).toEqual(front);
  });

  test('what is felt by hand is not judged by a picture', () => {
    const reading = taken({ pose: poseOf(), terms: { checkpoints: checkpoints('jaw-quiet', 'knees-track') } });
    expect(reading.points[0]!.why).toContain('feel for it');
  });
});

test('figures in words', () => {
  const figure: FilmFigure = { id: 'knee past toes', side: 'left', unit: 'cm', value: 3.14, error: 0.83, asked: -2 };
  expect(figureSaid(figure)).toBe('left knee 3.1 ± 0.8 cm past the toe line');
  expect(figureValue(figure, -2)).toBe('2.0 cm behind the toe line');
  expect(figureSaid({ id: 'trunk lean', side: 'right', unit: '°', value: -4.4, error: 1.2, asked: 0 })).toBe(
    'trunk leans 4 ± 1° back',
  );
});

describe('the computed figure laid over', () => {
  test('stands on the marked feet and covers a picture taken from far away, tilted or not', () => {
    for (const from of ['right', 'left', 'front', 'behind'] as const) {
      const pose = poseOf({}, from);
      const view = camera({ from, away: 50, focal: 24_000, roll: 5 });
      const seen = still({
        from,
        marks: marksSeen(view, pose),
        plumb: doorSeen(view),
        awayM: 50,
        scale: from === 'right' || from === 'left' ? 'foot' : 'trunk',
      });
      const { cmPerPx } = readStill(seen, { body: pose.body, known: 'measured', pose, asked: true, checkpoints: [] });
      const over = poseOver(seen, pose, cmPerPx)!;
      for (const name of marksWanted(from)) {
        expect(Math.hypot(over[name]!.x - seen.marks[name]!.x, over[name]!.y - seen.marks[name]!.y)).toBeLessThan(9);
      }
    }
    expect(poseOver(still({}), poseOf(), 0.2)).toBeNull();
  });

  test('a drawing of the body from far away falls where its joints do, from each side and with a tilted camera', () => {
    const drawing = { width: 832, height: 848, pxPerMetre: 320, middleM: 1.175 };
    for (const from of ['right', 'left', 'front', 'behind'] as const) {
      const pose = poseOf({}, from);
      const marks = Object.fromEntries(
        Object.entries(poseMarks(pose, from)).map(([name, { x, y }]) => [name, { x: x + 400, y: y + 900 }]),
      );
      const tilted = { from: { x: 10, y: 10 }, to: { x: 40, y: 400 } };
      const at = laidOver({ from, marks, plumb: tilted }, pose, 0.2)!;
      const over = poseOver({ from, marks, plumb: tilted }, pose, 0.2)!;
      const [a, b, c, d, e, f] = drawingOver(from, at, drawing);
      for (const name of marksWanted(from)) {
        const seen = seenAt(jointOf(pose, name), from, drawing.pxPerMetre);
        const [u, v] = [drawing.width / 2 + seen.x, drawing.height / 2 + drawing.middleM * drawing.pxPerMetre + seen.y];
        expect(a * u + c * v + e).toBeCloseTo(over[name]!.x, 6);
        expect(b * u + d * v + f).toBeCloseTo(over[name]!.y, 6);
      }
    }
  });
});

test('lines are drawn between marks that are set, each of its side', () => {
  const marks = poseMarks(poseOf({}, 'front'), 'front');
  const all = drawnLines('front', marks);
  expect(all.filter(({ side }) => side === 'left')).toHaveLength(all.filter(({ side }) => side === 'right').length);
  expect(all.filter(({ side }) => side === 'both')).toHaveLength(2);
  const { 'knee left': gone, ...others } = marks;
  expect(gone).toBeDefined();
  expect(drawnLines('front', others)).toHaveLength(all.length - 2);
  expect(drawnLines('right', {})).toEqual([]);
});

describe('what a still is read with', () => {
  const student = { ...newStudent('u', 'Nela Brisk', softSchool.id), statureCm: 170, footCm: 26 };

  test('a measured foot, a height, or nothing; the exercise’s own points or those that figures judge', () => {
    const known = (change: object): string => stillTerms(still({}), { ...student, ...change }, tree, softSchool).known;
    expect([known({}), known({ footCm: null }), known({ footCm: null, statureCm: null })]).toEqual([
      'measured',
      'stature',
      'nothing',
    ]);
    expect(stillTerms(still({ from: 'front' }), student, tree, softSchool).known).toBe('stature');
    const plain = stillTerms(still({}), student, null, softSchool);
    expect(plain.asked).toBe(false);
    expect(plain.checkpoints.map(({ id }) => id)).toContain('knees-track');
    expect(plain.checkpoints.map(({ id }) => id)).not.toContain('jaw-quiet');
    expect(stillTerms(still({}), student, tree, softSchool).checkpoints).toHaveLength(tree.checkpoints.length);
  });

  test('the stance of a test hold is as it was seen, the rest as it was meant', () => {
    const meant = TEST_STANCE;
    const reading = taken({ pose: poseOf({ kneeBendDeg: 41, trunkPitchDeg: 7 }) });
    expect(stanceSeen(reading, meant)).toEqual({ ...meant, kneeBendDeg: 41, trunkPitchDeg: 7 });
    expect(stanceSeen({ figures: reading.figures.filter(({ id }) => id === 'knee bend') }, meant)).toEqual({
      ...meant,
      kneeBendDeg: 41,
    });
    expect(stanceSeen({ figures: [] }, meant)).toBeNull();
  });
});

describe('pictures', () => {
  const png = bodyPicture(poseOf(), camera({ width: 96, height: 128, focal: 150 }));

  test('only a picture is kept, nothing that could run, none that is too large', () => {
    const of = (data: string): boolean => PictureSchema.safeParse({ id: 'a', studentId: 'b', data }).success;
    expect(of(png)).toBe(true);
    expect(of(png.replace('image/png', 'image/svg+xml'))).toBe(false);
    expect(of(`${png}"><script>`)).toBe(false);
    expect(of('https://example.org/a.png')).toBe(false);
    expect(of(`data:image/jpeg;base64,${'A'.repeat(LONGEST_PICTURE)}`)).toBe(false);
  });

  test('a made-up body is a PNG whose parts carry their checksum (ISO/IEC 15948), by zlib', () => {
    const bytes = Buffer.from(png.slice(png.indexOf(',') + 1), 'base64');
    expect(pictureBytes({ data: png })).toBeGreaterThanOrEqual(bytes.length);
    expect(bytes.subarray(1, 4).toString()).toBe('PNG');
    const chunks: Record<string, Buffer> = {};
    for (let at = 8; at < bytes.length;) {
      const length = bytes.readUInt32BE(at);
      const name = bytes.subarray(at + 4, at + 8).toString();
      expect(bytes.readUInt32BE(at + 8 + length)).toBe(crc32(bytes.subarray(at + 4, at + 8 + length)));
      chunks[name] = bytes.subarray(at + 8, at + 8 + length);
      at += 12 + length;
    }
    expect([chunks['IHDR']!.readUInt32BE(0), chunks['IHDR']!.readUInt32BE(4)]).toEqual([96, 128]);
    const rows = inflateSync(chunks['IDAT']!);
    expect(rows).toHaveLength(128 * 97);
    // A body stands in the middle, the wall is beside it.
    expect(rows[64 * 97 + 1 + 48]).toBeGreaterThan(3);
    expect(rows[64 * 97 + 1 + 4]).toBe(0);
  });
});

describe('two stills beside each other', () => {
  const of = (change: Partial<Posture>, from: FilmFrom = 'right') =>
    taken({ pose: poseOf(change, from), view: { from } }).figures;

  test('before and after: what is clear is told with its size, what may be chance is not', () => {
    const compared = comparedFigures(of({ kneeBendDeg: 34 }), of({ kneeBendDeg: 58, trunkPitchDeg: 1 }), false);
    const by = (id: string) => compared.find(({ figure }) => figure.id === id)!;
    expect(by('knee bend')).toMatchObject({ clear: true, said: 'clearly 24° less' });
    expect(by('trunk lean')).toMatchObject({ clear: false, said: 'no clear difference' });
  });

  test('in a mirror the left stands beside the right, and what leans to a side leans to the other', () => {
    const left = taken({
      pose: stillPose(standardBody, tree.posture, softSchool, 'left', true),
      view: { from: 'left' },
    }).figures;
    const compared = comparedFigures(of({}), left, true);
    expect(compared).toHaveLength(of({}).length);
    expect(comparedFigures(of({}), left, false).filter(({ figure }) => figure.id === 'knee bend')).toEqual([]);
    for (const { more } of compared) expect(more).toBeCloseTo(0, 6);
    const shifted = of({ weightShare: 0.7 }, 'front');
    const turned = comparedFigures(shifted, shifted, true).find(({ figure }) => figure.id === 'weight')!;
    expect(turned.other.value).toBeCloseTo(100 - turned.figure.value, 9);
    const leaning = shifted.map((figure) => (figure.id === 'trunk aside' ? { ...figure, value: 3 } : figure));
    expect(comparedFigures(leaning, leaning, true).find(({ figure }) => figure.id === 'trunk aside')!.more).toBe(6);
  });

  test('nothing is held against what the other one does not show', () => {
    expect(comparedFigures(of({}), of({}, 'front'), false).map(({ figure }) => figure.id)).toEqual([
      'elbow below shoulder',
      'wrist above shoulder',
    ]);
  });
});
