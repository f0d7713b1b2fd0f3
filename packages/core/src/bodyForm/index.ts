export { bodyForm, formStuffs, type FormPart, type FormStuff } from './bodyForm';
export {
  boneLength,
  boneMatrix,
  boneNames,
  formSkeleton,
  restSkeleton,
  type BoneName,
  type FormSkeleton,
} from './skeleton';
