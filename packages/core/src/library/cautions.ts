/** The usual cautions (common practice): they defer to licensed practice and claim nothing. */

export const kneeCaution = 'Knees: no twist, no collapse, not past the toes. Turn higher, or turn less.';
export const backCaution = 'Low back: shake out between rounds and end with a stretch.';
export const stopCaution =
  'Dizziness, chest pain, pain in a joint or numbness: stop, sit down, and see a licensed practitioner.';
export const breathCaution =
  'No held breath in pregnancy, with high blood pressure, or with heart, eye-pressure or breathing conditions without medical advice.';
export const balanceCaution = 'Keep a chair or a wall within reach; never go lower than you can stand securely.';
