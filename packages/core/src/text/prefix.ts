/** Whether names in CSS can begin with it; empty: with nothing. */
export const isPrefix = (text: string): boolean => /^(?:[a-z](?:[a-z0-9-]{0,10}[a-z0-9])?)?$/.test(text);
