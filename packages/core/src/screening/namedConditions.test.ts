import { conditions } from './conditions';
import { namedConditions } from './namedConditions';

const named = (...cautions: string[]) =>
  namedConditions(cautions).map(({ condition, side }) => (side === null ? condition : `${condition}, ${side}`));

test('every condition is known by the words a teacher types for it', () => {
  const typed: Readonly<Record<(typeof conditions)[number], readonly string[]>> = {
    pregnancy: ['Pregnant, 20 weeks', 'Second trimester'],
    'high blood pressure': ['High blood pressure', 'Hypertension, on tablets', 'blood pressure: no held breath'],
    'heart condition': ['Heart condition', 'Pacemaker since May', 'Had a stent'],
    'raised eye pressure': ['Glaucoma', 'Raised eye pressure'],
    'breathing condition': ['Asthma', 'Short of breath on stairs', 'COPD'],
    'knee pain': ['Bad knee', 'Meniscus torn'],
    'low back pain': ['Bad back', 'Backache', 'Sciatica', 'Lower back is stiff', 'slipped disc'],
    'shoulder pain': ['Frozen shoulder', 'Rotator cuff'],
    'poor balance': ['Poor balance', 'Unsteady', 'Fell twice this year', 'Chair within reach'],
    'dizziness or vertigo': ['Gets dizzy', 'Vertigo', 'Low blood pressure', 'Faints easily'],
    osteoporosis: ['Osteoporosis', 'Brittle bones', 'low bone density'],
    'hip or knee joint replaced': ['Hip replacement', 'Artificial knee', 'Knee was replaced in 2019', 'new hip'],
  };
  for (const condition of conditions)
    for (const caution of typed[condition]) expect([caution, named(caution)]).toEqual([caution, [condition]]);
});

test('the side comes with it, where a side can have it', () => {
  expect(named('Bad left knee')).toEqual(['knee pain, left']);
  expect(named('Right knee: sore after long stands; higher stance')).toEqual(['knee pain, right']);
  expect(named('Left hip replacement, right knee sore')).toEqual([
    'hip or knee joint replaced, left',
    'knee pain, right',
  ]);
  expect(named('Knees, left and right')).toEqual(['knee pain']);
  expect(named('Asthma since left school')).toEqual(['breathing condition']);
});

test('each is named once, what is denied is not, and what names nothing gives nothing', () => {
  expect(named('Bad knee', 'the other knee too')).toEqual(['knee pain']);
  expect(named('No knee pain any more', 'Knees fine')).toEqual(['knee pain']);
  expect(named('No trouble with the knee')).toEqual([]);
  expect(named('No held breath: blood pressure')).toEqual(['high blood pressure']);
  expect(named('Likes to talk', 'Back on Monday', 'New lenses', 'Heartfelt thanks', '')).toEqual([]);
  expect(named('Came back from holiday', 'good balance')).toEqual([]);
});
