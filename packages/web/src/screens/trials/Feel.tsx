export function Feel() {
  return null;
}
