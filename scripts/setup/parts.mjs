/**
 * Parts of the script that few pages need: each is a file beside the runtime, which is given to `start` as an option of the same name. What they
 * play, and when, stands in core’s format/script/script.ts.
 */
export const PARTS = [
  { name: 'marquees', source: 'marquee.ts', play: 'playMarquees', what: 'Plays marquees' },
  { name: 'pointers', source: 'pointer.ts', play: 'playPointers', what: 'Plays what the pointer moves' },
  { name: 'events', source: 'events.ts', play: 'playEvents', what: 'Plays what events start' },
  { name: 'videos', source: 'video.ts', play: 'playVideos', what: 'Brings videos to their time' },
  {
    name: 'sequences',
    source: 'sequence.ts',
    play: 'playSequences',
    what: 'Shows the pictures of sequences',
  },
  { name: 'texts', source: 'text/text.ts', play: 'playTexts', what: 'Takes texts apart' },
];
