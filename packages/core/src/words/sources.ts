/** One formula of the program as a teacher can read it. */
export interface SourceEntry {
  readonly topic: string;
  readonly what: string;
  readonly formula: string;
  readonly source: string;
  readonly limits: string;
}

const memory = 'from memory';

/** Every formula with its source and its limits; the Sources page and docs/sources.md are made from it. */
export const sources: readonly SourceEntry[] = [
  {
    topic: 'Body',
    what: 'Lengths and masses of the parts of the body, from stature and mass.',
    formula:
      'length = fraction × stature, mass = fraction × body mass; a measured shank, thigh or foot replaces its fraction',
    source: `Drillis & Contini 1966 and Dempster 1955, as tabulated by Winter, Biomechanics and Motor Control of Human Movement, 2009 (${memory})`,
    limits: 'Averages of few people. Someone with long thighs or a heavy trunk differs; measure shank, thigh and foot.',
  },
  {
    topic: 'Posture',
    what: 'How the shank tilts at a bend, where the knee stands, what knees and shoulders carry.',
    formula: 'the shank tilts until the centre of mass stands over the pressure point; moment = weight × distance',
    source: 'Plane statics; the arithmetic is ours',
    limits: 'Seen from the side, joints as hinges, front-to-back shear and muscles across two joints left out.',
  },
  {
    topic: 'Depth and step',
    what: 'The bend at which the knee meets the toe line, the mark on the door frame, the step that can be taken back.',
    formula:
      'knee = toe line; head drop = leg straight − leg bent; step = √(L² − (L − d)²); to the side the pelvis comes along and the foot lands ball first: half the distance of the hip joints + √((L + pointed foot)² − (L + ankle − d)²)',
    source: 'Geometry; “never past the toe line” and “taken back without a push” are common practice',
    limits: `The ankle range of 38° is ${memory}; a knee-to-wall test replaces it.`,
  },
  {
    topic: 'Bow stance',
    what: 'Where the legs and the weight are with one foot ahead, and whether the rear leg reaches.',
    formula: 'the front leg leans until the centre of mass falls at its share between both pressure points',
    source: 'Plane geometry, ours; seven tenths on the front leg and the rear foot 45° out are common practice',
    limits:
      'The pelvis is taken as open to the rear by 45°, the most it gives. While the weight goes between the feet the hips keep their height. How hard the feet press apart is not known: a range is shown, and the one is used that spares the knee that works harder.',
  },
  {
    topic: 'Floor marks and scales',
    what: 'Feet in centimetres, the point where the weight falls, what two scales should show.',
    formula: 'weight point = share × one pressure point + rest × the other; reading = share × mass',
    source: 'Arithmetic; widths and angles are common practice and settings of the school',
    limits: 'Near enough within three points of a hundred (our own value). A finger is taken as 1.8 cm.',
  },
  {
    topic: 'Ankle',
    what: 'How far the ankle bends, from the knee-to-wall test.',
    formula: '3.6° for each centimetre from toe to wall, the stiffer side',
    source: `after Bennell et al. 1998 (${memory})`,
    limits: 'Centimetres are read with a finger’s error; without a test the usual 38° is taken.',
  },
  {
    topic: 'How long a posture holds',
    what: 'Endurance time at a share of capacity: of the knee, the calf, the side of the hip, the back and the shoulder; the first that gives out counts.',
    formula: 'ET = b0 · f^b1, f = moment / capacity, never below 0.03 (our own value)',
    source: `Frey Law & Avin 2010 (${memory})`,
    limits:
      'Means over many people; below 0.15 of capacity it goes beyond what was measured. Over 40 min: not limited here. The side of the hip has no published line: that of the trunk is taken. A weight that stretches the knee, or a deep fold, is carried by ligaments.',
  },
  {
    topic: 'Fatigue and reserve',
    what: 'How legs, arms and back tire through a routine and recover in its rests; exercises as they move, sixteen moments a turn.',
    formula: 'three compartments: resting, active, fatigued; reserve = (1 − fatigued − target) / (1 − target)',
    source: `Xia & Frey Law 2008; rates Frey-Law, Looft & Heitsman 2012; recovery at rest Looft, Herkert & Frey-Law 2018 (${memory})`,
    limits:
      'One muscle group a joint, constant effort in a piece, no training effect. What a muscle carries up to a tenth of its capacity rests it, and in an exercise that moves also what is light beside the heaviest moment (our own values); how much rest a load needs: Rohmert 1973 (from memory). Without it first doses of the trade would look like work to failure. An arm that rests on the body does no work.',
  },
  {
    topic: 'Capacity',
    what: 'What legs and arms can give, from test holds and from each practice; and the same effort in another posture.',
    formula:
      'capacity = moment / f(held time), the knee by its torque–angle curve; practice: log-normal opinion × likelihood of each hold; exchange: t₂ = t₁ · ET₂ / ET₁',
    source: `The endurance formula above, turned round; torque–angle curve and moments per kilogram ${memory}; Bayes’ rule on a grid`,
    limits:
      'Five degrees of bend read wrong change it by a quarter or more. Without a test it is a guess by age, habit and size, with a wide range. Weight beyond a body mass index of 27 makes the legs no stronger. Calf, hip and back go with the knee in fixed proportion. From day to day a hold varies by a quarter; practice counts half after eight weeks, a test after half a year (our own values). Where nobody said what gave out, a hold only says “at least”.',
  },
  {
    topic: 'Breath',
    what: 'Length and rate of a pattern, slowing rounds, rate at rest.',
    formula: 'period = in + pause + out + pause; rate = 60 / period; slowing total = t₀·(qⁿ − 1)/(q − 1)',
    source: `Arithmetic; rest 12–20 a minute: nursing handbooks; slow practice near 6: Lehrer & Gevirtz 2014 (${memory})`,
    limits:
      'Slower than a quarter of the rate at rest gets a caution (our own value), by the last round of a slowing exercise; with a breathing condition the breath is left to itself, above two thirds of it. Held breath is refused with certain conditions.',
  },
  {
    topic: 'Time of a routine',
    what: 'The whole length, to the second.',
    formula: 'work + changes + rests + teaching',
    source: 'Arithmetic; staged practice 5 × 10–15 min and the other doses are common practice',
    limits: 'As long as the pace is kept; taps of your own count as they come.',
  },
  {
    topic: 'Fit to the time',
    what: 'Doses that come closest to the minutes there are and stay closest to what they were.',
    formula: 'largest total not above the target, then least Σ weight·((x − ideal)/ideal)²',
    source: 'Exact by dynamic programming over seconds; compared with a mixed-integer solver',
    limits: 'A dose moves between a half and double of itself.',
  },
  {
    topic: 'Load',
    what: 'Load of a practice and a week, monotony and strain, recent against usual.',
    formula:
      'minutes × effort; mean / standard deviation of the days; the last seven days against the mean week of the four before',
    source: `Effort CR10: Borg 1998; session-RPE: Foster et al. 2001; monotony: Foster 1998 (${memory}); recent against usual: our own rule`,
    limits: 'Words about what was done. Never a forecast of injury.',
  },
  {
    topic: 'Effort felt and estimated',
    what: 'By how much legs and arms would have to be taken otherwise for both to agree.',
    formula: 'factor = (felt / estimated)^(1 / b1), the median of the last eight, between 0.7 and 1.4',
    source: 'The endurance formula above, turned round; the bounds are our own values',
    limits: 'Only practices that hold a posture tell something. You decide whether it is used.',
  },
  {
    topic: 'Corrections',
    what: 'Which one or two to work on now.',
    formula: 'safety points first, then from the ground up, of those seen in the last 42 days',
    source: 'Common practice; the 42 days are a our own value',
    limits: 'It counts what was noted, not what was there.',
  },
  {
    topic: 'Film',
    what: 'Angles and lengths read off a picture of a student, each with its ±, and what they say of the checkpoints.',
    formula:
      'angles between the marked joints against the plumb; lengths by the foot, the trunk or a known length; what is nearer to the camera brought to where the feet stand; ± = slips of 3 px of every mark (4 cm of one that the machine has found and nobody has looked at; of one that was followed on plain cloth 3 cm, at the feet 1, at hips and shoulders seen from the front or from behind 9), the scale and the plumb together (root of the squares), plus the camera’s distance, plus a body turned 15° or as far as its foot looks too short. In a film points are followed by how alike their surroundings are (zero-mean normalised cross-correlation), held by the lengths of the bones, smoothed over 0.4 s; cycles are counted by the turns of the hand or the hips along the line in which they go furthest. Two films go in step by the shares of their cycles, the second so much of a cycle on or back as makes their figures most alike',
    source:
      'Plane geometry and a pinhole camera; the arithmetic is ours. Each step of a point is gone back again and doubted where it does not come back, and all of half a second again: Kalal, Mikolajczyk, Matas 2010, Forward-backward error (from memory). Smoothing: Savitzky and Golay 1964, by a library. A body is found by a trained network (Bazarevsky and others 2020, BlazePose, from memory), by a library that runs on this machine. Grey: Rec. ITU-R BT.601. What is looked for – never past the toe line, knee over the foot, elbows lower than shoulders, no lean – is common practice; parts of the body’s mass as in Body',
    limits:
      'Our own values: the slips, the greater ones after bodies rendered with known joints, of which nineteen places of twenty were found nearer; how far proportions differ (2, 5 or 10 %), a camera 2.5 to 6 m away where nobody says, and from where on a checkpoint is called outside, how alike a point has to be to be believed, and from where on a cycle counts. Where the ± is wider than that, it says that it cannot be judged from here. A body that is found is a guess of where joints are: loose clothes, long skirts and crossed limbs mislead it, and it may take a back for a front. A picture shows neither pain nor effort.',
  },
  {
    topic: 'Lessons of a chain',
    what: 'What fits into a lesson when each repeats the earlier pieces and adds one.',
    formula:
      'warm-up + review + explaining + footwork 3 × + hands 2 × in each view + joined + the whole, to both sides where it is played so. On the floor: the ways of the pieces one after the other, each from the facing in which the last one ended; a way that turns by t each time closes after 360 / gcd(t, 360) times',
    source:
      'Common practice: footwork three times, hands two or three times in each view, then the whole once. The way over the floor is plane geometry',
    limits:
      'When it no longer fits: join, then halves in turn, then a lesson with nothing new. A step of 0.6 m, 0.25 m for the same place and 0.6 m around for the arms are our own values.',
  },
  {
    topic: 'A class',
    what: 'What each person of a class does, who is corrected when, and what to drop when it runs over.',
    formula:
      'own dose = that of the plan for this routine, else no more than that of a goal for the same exercise, else no longer than the budget of the school on this body; a round = as many people as have 45 s each in the hold, the same for all; what waits goes first the next time',
    source:
      'Common practice: one person after the other, what can hurt first, nobody forgotten. 45 s a correction, 7 days for a sign to stop of somebody without a plan, half an hour before its time as begun in time: our own values',
    limits:
      'Who does less than the class is logged with the own dose, who could do more with that of the class, which is no test of the goal. Who comes late or goes early has what was done in between.',
  },
  {
    topic: 'Raising the load',
    what: 'Raise, stay, ease, stop and refer.',
    formula:
      'raise by 2–10 % after two full practices in a row, both sides, effort within the ceiling, alignment kept, once in seven days; ease one step after two poor practices in a row or two hard ones in three; met twice there, the old level comes back in one step. Doses stand on whole steps, the first and the target are what was typed. A lighter week goes down to the nearest step, by one at least; whoever practises once a week has none',
    source: `ACSM position stand 2009 for the 2–10 % and the two practices (${memory}); all other numbers are our own values and settings of the school`,
    limits:
      'A suggestion with its reason; you decide, and it remembers. Pain under the limit stops nothing; it is pointed out for seven days before a raise (our own value). Without an effort nothing is raised.',
  },
  {
    topic: 'Plateau',
    what: 'When a goal has stopped rising although it is practised, and how to go on.',
    formula:
      'six practices in a row at the whole dose, none under the share at which it is eased, no gap, each with an effort, never two running that were full and light enough for a raise. Ways on: the median that was held, and half steps; an easier posture for two weeks; another place in the routine or another day; a new test. Hard every other time although it was eased for that: it stays, and is not eased again',
    source: 'Common practice; six practices, two weeks, half steps and half the growth are our own values',
    limits: 'You choose; nothing changes by itself. What comes of another day or a test is only known afterwards.',
  },
  {
    topic: 'Another posture',
    what: 'What a hold becomes lower, on one leg or with other arms, and where to begin it.',
    formula: 't₂ = t₁ · ET₂ / ET₁ by what gives out first there; begun at nine tenths of it, rounded down to the step',
    source: 'The endurance formula above, turned round; the nine tenths and the sizes of the steps are our own values',
    limits: 'No further than the toe line and the balance of this body. The order of the axes is the school’s.',
  },
  {
    topic: 'Laying out',
    what: 'A routine for the minutes there are, for whom and for what it is wanted.',
    formula:
      'loosening 8 to 22 %, closing 3 to 13 % of the time; what an exercise asks for before it; after effort 7 of 10 or more one of 4 or less; a minute’s rest, three times at most, where somebody would give out; doses 0.6 to 2 times what they are; no danger and no doubt for anyone. Of these: wishes met first, then goals of the plan, what is being corrected, unlike the last two, effort that rises to two thirds of the time, few changes of stance, no more exercises than four and one for each five minutes, doses near what they are',
    source:
      'Parts and order are common practice; the weights are our own values. Equal to trying every row of exercises on shelves of eight',
    limits:
      'On larger shelves it is the best that was found. Effort is that of each exercise alone, fresh; the whole is looked at afterwards.',
  },
  {
    topic: 'Plan',
    what: 'The weeks to the goals within the limits.',
    formula:
      'day by day on the same rule as the verdicts, with all that is asked met: as many goals in time as can be, then the fewest days late, then each as early as can be in the order of their days, nobody waiting without something that binds, then the smallest largest growth of a week',
    source:
      'Exact search, compared with every season there is on small plans; where it is cut short the answer is called the best found',
    limits:
      'As if every practice were done in full. The chance beside it plays the same rule two thousand times with your student’s own attendance, shares met and efforts.',
  },
  {
    topic: 'What limits a dose',
    what: 'How far a dose may go, the smallest limit first: strength that is known or guessed, what is noted of the person, an alignment that would be lost, the minutes of a practice.',
    formula:
      'known strength: the school’s share of what is likely, a doubt beyond it and a danger beyond the most that is likely; guessed strength: the far end of the range that holds eight in ten, a doubt from 0.85 of what is likely; noted: what is asked goes no further; another exercise done instead saves a goal from a gap and raises it only where you let it count',
    source: 'The endurance formula above; the shares are our own values and settings of the school',
    limits:
      'A guess may be half or double: a test hold tells. Findings, plan, hall, class, sheet and calendar ask the same list.',
  },
  {
    topic: 'What is usual at an age',
    what: 'From where on a dose is more than usual: a stand on one leg, squats in one go, a low stand.',
    formula:
      'one leg: the mean of the age, longer for those who practise; squats: the count of chair stands in half a minute, more for those who practise; low from 35° on',
    source: `One leg: Springer et al. 2007; chair stands: CDC STEADI (${memory}); how much more, and low stands: our own values after common practice`,
    limits: 'A question to the teacher, not a diagnosis. Under sixty no norm of chair stands is published.',
  },
  {
    topic: 'What is noted of a body',
    what: 'What a condition, a test below the norm or a limit of your own rules out of postures, exercises and breath, and what is done instead.',
    formula:
      'a limit for each condition, of several the strictest; higher, lower arms, shorter, a hand on a chair or the wall, no pause, quicker, the other side only, or the nearest exercise that stays within all of them',
    source:
      'House table after common practice in class; a tandem stand under 10 s or a one-leg stand under half of what is usual act as poor balance, fewer chair stands than average as weak legs: first doses a third lower, bend at most 30°',
    limits:
      'The usual cautions, never a diagnosis. A licensed practitioner may say otherwise. No sex is kept: a chair-stand result acts only below the average of women and of men. A side acts on the leg that is loaded and the arm that is raised. Cautions in free words are searched for what they name, and offered; they never act by themselves.',
  },
  {
    topic: 'Baseline norms',
    what: 'One-leg stand, chair stand and tandem stand by age.',
    formula: 'a result against the norm of its age sets defaults such as a chair within reach',
    source: `Springer et al. 2007; CDC STEADI (${memory})`,
    limits: 'Never a diagnosis. In doubt, licensed practice.',
  },
];

/** The list as Markdown, for docs/sources.md. */
export function sourcesMarkdown(): string {
  const entries = sources.map(
    (entry) =>
      `## ${entry.topic}\n\n${entry.what}\n\n- **Formula:** ${entry.formula}\n- **Source:** ${entry.source}\n- **Limits:** ${entry.limits}\n`,
  );
  return `# Sources\n\nEach formula, where it comes from and what it leaves out. “From memory” marks values that were written down without the paper at hand; “our own value” marks what we assume ourselves. The app shows the same list under Sources.\n\n${entries.join('\n')}`;
}
