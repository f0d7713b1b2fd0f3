// In a file of its own so that the built-in exercises are loaded only where exercises are asked for.
export { builtInExercises } from '@pomek/core';
