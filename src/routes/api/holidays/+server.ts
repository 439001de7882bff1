import { json, type RequestHandler } from '@sveltejs/kit';
import { z } from 'zod';
import { notDone } from '../apart/answers';
import { problem } from '../problem';
import { holidaysOf, type HolidayList } from './holidays';

const Question = z.object({
  country: z.string().regex(/^[A-Z]{2}$/, 'A country is two capital letters.'),
  region: z.string().max(10).default(''),
  from: z.coerce.number().int().min(1970).max(2100),
});

/** The public holidays of a country and region for ten years, and the regions the country has. */
export const GET: RequestHandler = async ({ url }) => {
  const question = Question.safeParse(Object.fromEntries(url.searchParams));
  if (!question.success) {
    const issue = question.error.issues[0]!;
    return problem(422, 'Not understood', `${issue.path.join('.')}: ${issue.message}`);
  }
  const { country, region, from } = question.data;
  let list: HolidayList | null;
  try {
    list = await holidaysOf(country, region, from);
  } catch (error) {
    return notDone(error, 'The list of holidays');
  }
  if (!list) return problem(404, 'No calendar', `There is no list of public holidays for ${country}.`);
  return json(list, { headers: { 'cache-control': 'public, max-age=86400' } });
};
