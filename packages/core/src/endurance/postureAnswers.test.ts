import { balanceLimit, postureStatics, retractableStep, sideStep, standardBody, toeLineBend } from '../body';
import { KNEE_SEEN } from '../body/statics';
import { stillMoment } from '../figure/cycleMoment';
import { figurePose } from '../figure/figurePose';
import { posture } from '../library/describe';
import { settlePosture, softSchool, stanceOfPosture } from '../schools';
import { durationWords } from '../words/durationWords';
import { figureText, holdWords, kneeWords, limitWords, roughWords } from './answerWords';
import { bowKnees, bowOfPosture, limitTime, postureLoads } from './limits';
import { firstLimit, postureAnswers, type HoldTime, type PostureAnswers } from './postureAnswers';

/** 65.2 N·m at a bend of 30°. */
const known = {
  kneeNm: 65.2 / 0.62,
  shoulderNm: 40,
  spread: { legs: 1, arms: 1 },
  guessed: { legs: false, arms: false },
};

describe('answers to a posture', () => {
  const at = (change: Parameters<typeof posture>[0], capacity = known) =>
    postureAnswers(standardBody, settlePosture(posture(change), softSchool), capacity);

  test('the knee, the depth and the step of sources: Posture, at 30°', () => {
    const found = at({ kneeBendDeg: 30 });
    expect(-1000 * found.kneePastToes).toBeCloseTo(57.9, -1);
    expect(1000 * found.headDrop).toBeCloseTo(30.2, 0);
    expect(found.retractableStep).toBeCloseTo(0.222, 2);
  });

  test('with the capacity of sources: Capacity the legs hold about four minutes at 30°, and much less at 45°', () => {
    const arms = { shoulderRaiseDeg: 45, elbowBendDeg: 45 };
    const high = at({ kneeBendDeg: 30, ...arms });
    const low = at({ kneeBendDeg: 45, ...arms });
    expect(high.legs.seconds).toBeGreaterThan(200);
    expect(low.legs.seconds).toBeLessThan(0.7 * high.legs.seconds);
    expect(low.legs.least).toBeLessThan(low.legs.seconds);
    expect(low.legs.most).toBeGreaterThan(low.legs.seconds);
    expect(low.limitedBy).toBe('legs');
    expect(at({ kneeBendDeg: 30, shoulderRaiseDeg: 90 }, { ...known, shoulderNm: 15 }).limitedBy).toBe('arms');
  });

  test('an unsure capacity widens the range; seated legs never limit', () => {
    const sure = at({ kneeBendDeg: 45 });
    const unsure = at(
      { kneeBendDeg: 45 },
      { ...known, spread: { legs: 1.4, arms: 1.4 }, guessed: { legs: false, arms: false } },
    );
    expect(unsure.legs.most / unsure.legs.least).toBeGreaterThan(sure.legs.most / sure.legs.least);
    expect(at({ kneeBendDeg: 90, seated: true }).legs.unlimited).toBe(true);
  });

  test('they read as a teacher would say them', () => {
    expect(kneeWords(-0.0595)).toBe('Knee 6.0 cm behind the toe line, about 3 fingers');
    expect(kneeWords(0.02)).toBe('Knee 2.0 cm past the toe line, about one finger');
    expect(kneeWords(0.001)).toBe('Knee on the toe line');
    const time = { seconds: 238, least: 170, most: 370, unlimited: false, extrapolated: false, joint: 'knee' as const };
    expect(holdWords(time)).toBe('about 4:00 min (2:45 min to 6:00 min)');
    expect(holdWords({ ...time, unlimited: true })).toBe('not what limits here');
    expect(holdWords({ ...time, most: 9000 })).toContain('over 40 min');
    expect(limitWords(at({ kneeBendDeg: 45 }))).toMatch(/^Legs, at the knee, would give out first, at about/);
    expect(limitWords(at({ kneeBendDeg: 0 }, { ...known, kneeNm: 900 }))).toMatch(/^Neither/);
  });

  test('the text of the figure says what the picture shows', () => {
    const settled = settlePosture(posture({ kneeBendDeg: 30, weightShare: 0.7 }), softSchool);
    const pose = figurePose(standardBody, settled, { ...stillMoment({ posture: settled }), turnDeg: 45 }, 'left');
    const text = figureText(pose, settled, postureAnswers(standardBody, settled, known));
    expect(text).toContain('knees bent 30°');
    expect(text).toContain('70 % of the weight on the left foot, 30 % on the right');
    expect(text).toContain('pelvis turned 45° to the left');
  });

  test('what it says is what its parts say: toe line, ankle, ranges, steps', () => {
    const settled = settlePosture(posture({ kneeBendDeg: 45 }), softSchool);
    const stance = stanceOfPosture(settled);
    const found = postureAnswers(standardBody, settled, known, 20);
    const statics = postureStatics(standardBody, stance);
    expect(found).toMatchObject({
      kneePastToes: statics.kneePastToes,
      headDrop: statics.headDrop,
      toeLineBendDeg: toeLineBend(standardBody, stance),
      balanceLimitDeg: balanceLimit(standardBody, stance, 20),
      retractableStep: retractableStep(standardBody, statics.headDrop),
      sideStep: sideStep(standardBody, statics.headDrop),
      stepTooLong: 0,
    });
    // Five degrees higher and lower, nothing else is unsure.
    const lasts = (bend: number) =>
      limitTime(postureLoads(standardBody, { ...settled, kneeBendDeg: bend }), known, 'legs').seconds;
    expect([found.legs.least, found.legs.seconds, found.legs.most]).toEqual([lasts(50), lasts(45), lasts(40)]);
    // Arms and back do not hang on the bend; a spread of the arms is that of the arms alone.
    const wide = postureAnswers(standardBody, settled, {
      ...known,
      spread: { legs: 1, arms: 2 },
      guessed: { legs: false, arms: false },
    });
    expect(wide.legs).toEqual(postureAnswers(standardBody, settled, known).legs);
    expect(found.arms.least).toBe(found.arms.seconds);
    const raised = settlePosture(posture({ shoulderRaiseDeg: 60 }), softSchool);
    const arms = postureAnswers(standardBody, raised, {
      ...known,
      spread: { legs: 1, arms: 2 },
      guessed: { legs: false, arms: false },
    }).arms;
    const armLasts = (factor: number) =>
      limitTime(postureLoads(standardBody, raised), { ...known, shoulderNm: 40 * factor }, 'arms').seconds;
    expect([arms.least, arms.most]).toEqual([armLasts(0.5), armLasts(2)]);
    const back = postureAnswers(standardBody, raised, {
      ...known,
      spread: { legs: 2, arms: 1 },
      guessed: { legs: false, arms: false },
    }).back;
    expect(back.most).toBeGreaterThan(back.least);
  });

  test('in a bow knee, drop, toe line and step come from both feet, and the range holds both ways of sharing the force', () => {
    const bow = settlePosture(posture({ kneeBendDeg: 35, weightShare: 0.7, ahead: 1.8 }), softSchool);
    const geometry = bowOfPosture(standardBody, bow);
    const found = postureAnswers(standardBody, bow, known);
    const { shank, thigh, ankleHeight } = standardBody.lengths;
    expect(found.kneePastToes).toBe(geometry.kneePastToes);
    expect(found.headDrop).toBeCloseTo(shank + thigh + ankleHeight - geometry.front.hip.y, 9);
    const at = (bend: number) => bowOfPosture(standardBody, { ...bow, kneeBendDeg: bend }).kneePastToes;
    expect(at(found.toeLineBendDeg!)).toBeGreaterThanOrEqual(0);
    expect(at(found.toeLineBendDeg! - 1)).toBeLessThan(0);
    const long = settlePosture(posture({ kneeBendDeg: 5, weightShare: 0.7, ahead: 4 }), softSchool);
    expect(postureAnswers(standardBody, long, known).stepTooLong).toBeCloseTo(
      bowOfPosture(standardBody, long).tooLong,
      9,
    );
    expect(postureAnswers(standardBody, long, known).stepTooLong).toBeGreaterThan(0);
    // Pressing apart loads the front knee: the least is at its most, five degrees lower.
    const lower = { ...bow, kneeBendDeg: 40 };
    const most = bowKnees(standardBody, lower, bowOfPosture(standardBody, lower)).front.most;
    const least = limitTime({ ...postureLoads(standardBody, lower), kneeNm: most }, known, 'legs').seconds;
    expect(found.legs.least).toBeCloseTo(least, 6);
    const alone = postureAnswers(standardBody, { ...bow, otherLifted: true, weightShare: 1 }, known);
    expect(alone.legs.least).toBeLessThan(alone.legs.seconds);
  });

  test('the first to give out; of two that give out together the legs are named', () => {
    const time = (seconds: number) => ({ seconds }) as HoldTime;
    const first = (legs: number, arms: number, back: number) =>
      firstLimit({ legs: time(legs), arms: time(arms), back: time(back) });
    expect([first(1, 2, 3), first(2, 1, 3), first(3, 2, 1)]).toEqual(['legs', 'arms', 'back']);
    expect([first(1, 1, 1), first(1, 1, 2), first(2, 1, 1), first(1, 2, 1)]).toEqual(['legs', 'legs', 'arms', 'legs']);
  });

  test('words round as a teacher does', () => {
    expect([3, 7, 8, 57, 58, 61, 70, 290, 308, 340, 3000].map(roughWords)).toEqual(
      [5, 5, 10, 55, 60, 60, 75, 285, 300, 360, 3000].map(durationWords),
    );
    expect([0.099, 0.0999, 0.1, 0.012, 0.008, 0.027].map((metres) => kneeWords(metres))).toEqual([
      'Knee 9.9 cm past the toe line, about 6 fingers',
      'Knee 10 cm past the toe line, about 6 fingers',
      'Knee 10 cm past the toe line, about 6 fingers',
      'Knee 1.2 cm past the toe line, about one finger',
      'Knee 0.8 cm past the toe line, less than a finger',
      'Knee 2.7 cm past the toe line, about 2 fingers',
    ]);
    expect(kneeWords(-0.12)).toBe('Knee 12 cm behind the toe line, about 7 fingers');
    expect([kneeWords(KNEE_SEEN), kneeWords(-KNEE_SEEN * 0.99)]).toEqual([
      expect.stringContaining('past'),
      'Knee on the toe line',
    ]);
    const time = { seconds: 100, least: 100, most: 115, unlimited: false, extrapolated: false, joint: 'hip' as const };
    expect(holdWords(time)).toBe('about 1:45 min');
    expect(holdWords({ ...time, most: 116 })).toBe('about 1:45 min (1:45 min to 2:00 min)');
    expect(holdWords({ ...time, most: 2400 })).toContain('to 40:00 min');
    const answers = { limitedBy: 'back', back: { ...time, joint: 'trunk' } } as PostureAnswers;
    expect(limitWords(answers)).toBe('The back would give out first, at about 1:45 min');
    const side = { limitedBy: 'legs', legs: time } as PostureAnswers;
    expect(limitWords(side)).toBe('Legs, at the side of the hip, would give out first, at about 1:45 min');
  });

  test('a figure in words: arms, trunk, turn, weight; seated without what stands', () => {
    const text = (change: Parameters<typeof posture>[0], turnDeg = 0, working: 'left' | 'right' = 'right') => {
      const settled = settlePosture(posture(change), softSchool);
      const pose = figurePose(standardBody, settled, { ...stillMoment({ posture: settled }), turnDeg }, working);
      return figureText(pose, settled, postureAnswers(standardBody, settled, known));
    };
    const plain = text({ kneeBendDeg: 20 });
    expect(plain).toMatch(
      /^A standing figure: knees bent 20°, trunk upright, arms hanging, pelvis square; 50 % of the weight on the right foot, 50 % on the left\. Knee /,
    );
    expect(plain).toMatch(/The head is 1\.\d cm lower than standing straight\./);
    const raised = text({ shoulderRaiseDeg: 45, trunkPitchDeg: 10, weightShare: 0.6 }, 20, 'left');
    expect(raised).toContain('trunk 10° forward, arms raised 45°, elbows bent 0°, pelvis turned 20° to the left');
    expect(text({ elbowBendDeg: 30 }, 20)).toContain('arms raised 0°, elbows bent 30°, pelvis turned 20° to the right');
    expect(text({}, 0.9)).toContain('pelvis square');
    expect(text({ seated: true, kneeBendDeg: 90 })).toBe('A seated figure: trunk upright, arms hanging.');
  });
});
