export * from './ride.ts';
export type { Break } from './breaks.ts';
export { newPose, poseAt, poserOf, readPose } from './pose.ts';
export type { Poser } from './pose.ts';
export { isTooLongAStep } from './smoothness.ts';
export type { MotionFigures } from './smoothness.ts';
export * from './trial.ts';
export * from './summary.ts';
export * from './simulate.ts';
