import { mkdtempSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { root, run, tool } from '../setup.mjs';

const require = createRequire(join(root, 'packages/core/package.json'));
const round = (value, digits = 2) => Number(value.toFixed(digits));

/** Median milliseconds of a few rounds. */
function time(work, rounds = 7) {
  const times = [];
  for (let index = 0; index <= rounds; index += 1) {
    const begun = performance.now();
    work();
    if (index > 0) times.push(performance.now() - begun);
  }
  return times.sort((a, b) => a - b)[Math.floor(times.length / 2)];
}

async function loadCore() {
  const folder = mkdtempSync(join(root, 'node_modules', '.bench-'));
  const file = join(folder, 'core.mjs');
  const args = ['packages/core/src/index.ts', '--bundle', '--platform=node', '--format=esm', '--packages=external'];
  if ((await run(tool('esbuild'), [...args, `--outfile=${file}`, '--log-level=warning'])) !== 0) process.exit(1);
  const core = await import(pathToFileURL(file).href);
  rmSync(folder, { recursive: true });
  return core;
}

function fatigue(core) {
  const { Solver } = require('odex');
  const { fatigue: rise, recovery } = core.joints.knee;
  const segments = Array.from({ length: 80 }, (_, index) => ({
    target: index % 2 === 0 ? 0.15 + (index % 5) * 0.06 : 0,
    seconds: 45,
  }));
  // Circles of eight seconds, sixteen moments each, for an hour.
  const moving = Array.from({ length: 450 * 16 }, (_, index) => ({
    target: 0.2 + 0.15 * Math.sin((2 * Math.PI * index) / 16),
    seconds: 0.5,
    freeFlow: 0.175,
  }));
  const library = (accuracy, list = segments) => {
    let state = [0, 0];
    for (const { target, seconds, freeFlow = 0.15 } of list) {
      const rate = recovery * (1 + 14 * Math.max(0, 1 - target / freeFlow));
      const solver = new Solver(2);
      solver.absoluteTolerance = accuracy;
      solver.relativeTolerance = accuracy;
      solver.maxSteps = 1e6;
      const slope = (_x, [active, tired]) => {
        const resting = 1 - active - tired;
        const drive = active >= target ? 10 * (target - active) : 10 * Math.min(target - active, resting);
        return [drive - rise * active, rise * active - rate * tired];
      };
      state = solver.solve(slope, 0, state, seconds).y;
    }
    return state;
  };
  const own = time(() => core.simulateFatigue(core.joints.knee, segments));
  const ratio = time(() => library(1e-8)) / own;
  const turning = time(() => core.simulateFatigue(core.joints.knee, moving), 3);
  const turned = time(() => library(1e-8, moving), 1) / turning;
  const double = Array.from({ length: 5 }, (_, power) => Array.from({ length: 2 ** power }, () => segments).flat());
  const growth = double.map((list) => time(() => core.simulateFatigue(core.joints.knee, list)));
  return [
    {
      name: 'fatigue, 60 min: ODE library / own, at equal accuracy',
      value: round(ratio, 0),
      unit: '×',
      target: '≥ 20',
      met: ratio >= 20,
    },
    {
      name: 'fatigue, 60 min of a moving drill: ODE library / own, at equal accuracy',
      value: round(turned, 0),
      unit: '×',
      target: '≥ 20',
      met: turned >= 20,
    },
    {
      name: 'fatigue, 60 min of a moving drill, one joint',
      value: round(turning, 1),
      unit: 'ms',
    },
    {
      name: 'fatigue: time at 1, 2, 4, 8, 16 times the length',
      value: growth.map((ms) => round(ms / growth[0], 1)).join(' '),
      unit: '×',
    },
  ];
}

async function fit(core) {
  const highs = await require('highs')();
  const blocks = Array.from({ length: 8 }, (_, index) => ({
    ideal: 120 + 15 * index,
    min: 60,
    max: 300,
    step: 15,
    weight: 1 + (index % 3),
  }));
  const options = blocks.map(core.amountOptions);
  const target = 1500;
  const names = options.flatMap((list, block) =>
    list.map((option, index) => ({ name: `x${block}_${index}`, ...option })),
  );
  const sum = (of) => names.map((entry) => `${of(entry).toFixed(9)} ${entry.name}`).join(' + ');
  const pick = options
    .map((list, block) => ` c${block}: ${list.map((_, index) => `x${block}_${index}`).join(' + ')} = 1`)
    .join('\n');
  const problem = `Maximize\n obj: ${sum((entry) => entry.seconds * 1000 - entry.cost)}\nSubject To\n${pick}\n room: ${sum((entry) => entry.seconds)} <= ${target}\nBinary\n ${names.map((entry) => entry.name).join(' ')}\nEnd`;
  const own = core.fitAmounts(blocks, 0, target);
  const solved = highs.solve(problem, { mip_rel_gap: 0, mip_abs_gap: 0 });
  const taken = names.filter((entry) => solved.Columns[entry.name].Primal > 0.5);
  const same =
    Math.abs(taken.reduce((total, entry) => total + entry.cost, 0) - own.cost) < 1e-4 &&
    taken.reduce((total, entry) => total + entry.seconds, 0) === own.total;
  const ratio =
    time(() => highs.solve(problem, { mip_rel_gap: 0, mip_abs_gap: 0 }), 3) /
    time(() => core.fitAmounts(blocks, 0, target));
  const sizes = [1, 2, 4, 8, 16].map((times) =>
    time(() => core.fitAmounts(Array.from({ length: times }, () => blocks.slice(0, 2)).flat(), 0, 300 * times), 3),
  );
  return [
    { name: 'fit, 8 blocks: MILP library / own', value: round(ratio, 0), unit: '×', target: '≥ 10', met: ratio >= 10 },
    { name: 'fit: same optimum as the MILP library', value: same ? 'yes' : 'NO', unit: '', target: 'yes', met: same },
    {
      name: 'fit: time at 1, 2, 4, 8, 16 times blocks and target',
      value: sizes.map((ms) => round(ms / sizes[0], 1)).join(' '),
      unit: '×',
    },
  ];
}

const START = 20458; // a Monday, in days since 1970
const families = ['standing', 'reeling', 'breathing', 'strength'];

/** A plan of several strands with goals over half a year, two of each family; four practices a week, every fourth lighter. */
function seasonOf(core, count, raises, change = {}) {
  const strands = Array.from({ length: count }, (_, index) => {
    const level = 20 + 7 * index;
    const target = level * 1.1 ** (raises + (index % 4));
    return {
      id: `s${index}`,
      family: families[index % families.length],
      segment: `s${index}`,
      state: core.newState(level),
      ladder: { step: 5, first: level, target, most: null, mostBy: 'capacity' },
      targetDay: START + 7 * (12 + 3 * (index % 5)),
      gate: null,
      pointUntil: 0,
      levelBefore: level,
      loadPerUnit: 1 + (index % 3),
      minutesPerUnit: 0.02,
      lightens: true,
      overrules: [],
    };
  });
  const practiceDays = [1, 3, 5, 6];
  return {
    strands,
    calendar: {
      start: START,
      today: START,
      practiceDays,
      holidays: [],
      frozenWeeks: new Set(),
      lighterEvery: 4,
      lighterCut: 0.4,
    },
    rules: core.rulesOf({ growthPerWeek: 0.1 }, core.defaultRaiseRule, practiceDays),
    rails: {
      raisesPerFamily: 2,
      loadGrowth: 0.1,
      usualLoad: 0,
      baseLoad: 200,
      baseMinutes: 10,
      sessionMinutes: null,
      ...change,
    },
    mostWeeks: 156,
  };
}

function planner(core) {
  const plan = (problem, rounds) => time(() => core.planSeason(problem, 26), rounds);
  const usual = seasonOf(core, 8, 11);
  const one = seasonOf(core, 8, 11, { raisesPerFamily: 1 });
  const tight = seasonOf(core, 8, 11, { raisesPerFamily: 1, loadGrowth: 0.06 });
  const said = (problem) => (core.planSeason(problem, 26).proven ? 'proven' : 'best found');
  const took = plan(usual, 9);
  const contested = plan(one, 9);
  const sizes = [1, 2, 4, 8, 16].map((count) => plan(seasonOf(core, count, 6), 3));
  return [
    {
      name: `planner, 8 strands × 26 weeks, two raises a family and week, ${said(usual)}`,
      value: round(took, 1),
      unit: 'ms',
      target: '< 100',
      met: took < 100,
    },
    {
      name: `planner, the same with one raise a family and week, ${said(one)}`,
      value: round(contested, 1),
      unit: 'ms',
      target: '< 100',
      met: contested < 100,
    },
    {
      name: `planner, with a load rail that binds besides (6 %), ${said(tight)}`,
      value: round(plan(tight, 3), 1),
      unit: 'ms',
    },
    {
      name: 'planner: time at 1, 2, 4, 8, 16 strands',
      value: sizes.map((ms) => round(ms / sizes[0], 1)).join(' '),
      unit: '×',
    },
  ];
}

function forecast(core) {
  const problem = seasonOf(core, 8, 11);
  const season = core.planSeason(problem, 26);
  const outcomes = [
    { share: 1, kept: 1, effort: 6 },
    { share: 1, kept: 1, effort: 5 },
    { share: 0.85, kept: 1, effort: 7 },
    { share: 1, kept: 1, effort: 8 },
    { share: 0.6, kept: 0.6, effort: 9 },
  ];
  const habits = { attendance: Array.from({ length: 8 }, () => 0.85), outcomes: problem.strands.map(() => outcomes) };
  const work = (seasons) => () => core.playSeasons(problem, season, habits, 26, seasons, core.seededRandom(3));
  const took = time(work(2000), 9);
  const sizes = [125, 250, 500, 1000, 2000].map((seasons) => time(work(seasons), 3));
  return [
    {
      name: 'forecast on the machine, 2,000 seasons × 26 weeks × 8 strands',
      value: round(took, 0),
      unit: 'ms',
      target: '< 400',
      met: took < 400,
    },
    {
      name: 'forecast: time at 1, 2, 4, 8, 16 times the seasons',
      value: sizes.map((ms) => round(ms / sizes[0], 1)).join(' '),
      unit: '×',
    },
  ];
}

/** The engines against general-purpose libraries, and how they grow as their work doubles. */
/** Twelve points followed through frames of 1280 × 720. */
function following(core) {
  const camera = core.filmCamera({ from: 'front', width: 1280, height: 720, focal: 1100, high: 0.9 });
  const tree = core.builtInExercises.find(({ id }) => id === 'tree-holding');
  const hall = core.emptyHall(camera);
  const colours = core.bodyPalette();
  const poseAt = (frame) => {
    const kneeBendDeg = 25 + 15 * Math.sin(frame / 5);
    return core.stillPose(core.standardBody, { ...tree.posture, kneeBendDeg }, core.softSchool, 'right');
  };
  const frames = Array.from({ length: 30 }, (_, frame) => {
    const pixels = core.bodyPixels(poseAt(frame), camera, 0, hall, 0.35);
    const data = pixels.map((index) => colours[3 * index + 1]);
    return { width: camera.width, height: camera.height, data };
  });
  const marks = Object.fromEntries(Object.entries(core.marksSeen(camera, poseAt(0))).slice(0, 12));
  const ms = time(() => {
    const follower = core.Follower.begin(frames[0], 'front', marks);
    for (const frame of frames.slice(1)) follower.step(frame);
  }, 3);
  const rate = round((1000 * (frames.length - 1)) / ms, 0);
  return [
    {
      name: 'Frames of 1280 × 720 in which 12 points are followed',
      value: rate,
      unit: 'a second',
      target: '≥ 30',
      met: rate >= 30,
    },
  ];
}

export async function measureEngines() {
  const core = await loadCore();
  return [...forecast(core), ...planner(core), ...fatigue(core), ...following(core), ...(await fit(core))];
}
