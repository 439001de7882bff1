/** Letters to people of the business about what has changed for them. */
import { momentInFull, writingOf } from '../core/hours';
import type { ForWhom } from '../core/changes';
import { rawMessage } from '../standins/mail/compose';
import type { MailRecord } from './stored/records';
import type { Workspace } from './workspace';

/** The words of a letter about what has changed. @param since when it went in force, epoch milliseconds @param page of the staff phone */
export function changeLetter(
  { person, says }: ForWhom,
  business: Workspace['system']['business'],
  since: number,
  page: string,
): { subject: string; text: string } {
  return {
    subject: `What changes for you on the phones of ${business.name}`,
    text: `Hello ${person.name},

on the phone system of ${business.name} this has changed for you, since ${momentInFull(since, business.timeZone, writingOf(business))}:

${says.map((line) => `- ${line}`).join('\n')}

Your own settings are on your phone: ${page}`,
  };
}

/** Mails everybody what has changed for them. @param id makes the id of a letter @returns those who have no address */
export async function tellOfChanges(
  workspace: Workspace,
  all: readonly ForWhom[],
  since: number,
  id: () => string,
  page: string,
): Promise<ForWhom[]> {
  const { business } = workspace.system;
  const at = workspace.now();
  const reached = all.filter(({ person }) => person.email);
  const mail = await Promise.all(
    reached.map(async (one): Promise<MailRecord> => {
      const { person } = one;
      const words = changeLetter(one, business, since, page);
      const mailId = id();
      const raw = await rawMessage({
        id: mailId,
        to: { name: person.name, address: person.email },
        from: { name: business.name, address: 'phones@upperline.example' },
        at,
        ...words,
      });
      return { id: mailId, businessId: workspace.id, at, to: person.email, subject: words.subject, raw };
    }),
  );
  await workspace.putMail(mail);
  return all.filter(({ person }) => !person.email);
}
