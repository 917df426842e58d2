/** Times as the history shows them: today by the hour, this week by the day, earlier by the date. */
const DAY_MS = 86_400_000;

const format = (options: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit", hourCycle: "h23", ...options });
const HOUR = format({});
const WEEKDAY = format({ weekday: "short" });
const DATE = format({ day: "numeric", month: "short" });

/** A time, ms since 1970, seen from another. */
export function timeText(time: number, now: number): string {
  const at = new Date(time);
  if (at.toDateString() === new Date(now).toDateString()) return HOUR.format(at);
  const text = (now - time < 6 * DAY_MS ? WEEKDAY : DATE).format(at);
  return text.replace(",", "");
}
