/** Minutes as a teacher reads them: one and a half is 1½. */
export function inMinutes(minutes: number): string {
  const whole = Math.floor(minutes);
  if (minutes - whole !== 0.5) return String(minutes);
  return whole === 0 ? "½" : `${String(whole)}½`;
}
