export const PARTS: readonly { name: string; source: string; play: string; what: string }[];
