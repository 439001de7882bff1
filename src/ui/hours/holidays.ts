/** The browser's side of the holiday list. */
import { z } from 'zod';

const Answer = z.object({
  holidays: z.array(
    z.object({
      name: z.string(),
      rule: z.string(),
      kind: z.enum(['public', 'bank', 'optional', 'school', 'observance']),
      dates: z.array(z.iso.date()),
    }),
  ),
  regions: z.array(z.object({ code: z.string(), name: z.string() })),
});
export type HolidayList = z.infer<typeof Answer>;
export type Holiday = HolidayList['holidays'][number];

/** Asks for the holidays of a country and region. @returns the list, or what is wrong */
export async function askHolidays(
  country: string,
  region: string,
  year: number,
): Promise<HolidayList | { message: string }> {
  try {
    const query = new URLSearchParams({ country, region, from: String(year) });
    const response = await fetch(`/api/holidays?${query}`);
    const body: unknown = await response.json();
    const answer = Answer.safeParse(body);
    if (response.ok && answer.success) return answer.data;
    const detail = z.object({ detail: z.string() }).safeParse(body);
    return { message: detail.success ? detail.data.detail : 'The list cannot be understood.' };
  } catch {
    return { message: 'The list of holidays cannot be reached. Try again, or give the days by hand.' };
  }
}
