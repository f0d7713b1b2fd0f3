export { bodyForm } from './bodyForm';
export { BodyFormSchema, type FormPart, type FormStuff } from './formPart';
export {
  boneLength,
  boneMatrix,
  boneNames,
  formSkeleton,
  restSkeleton,
  type BoneName,
  type FormSkeleton,
} from './skeleton';
