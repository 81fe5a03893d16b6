/** The custom property by which a motion sets the time of a video: 0 its start, 1 its end. */
export const VIDEO = '--video';
