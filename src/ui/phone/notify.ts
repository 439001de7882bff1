/** That somebody calls, shown by the browser while another window or tab hides this one: answered and declined from there. */

interface Shown {
  callId: string;
  title: string;
  body: string;
}
interface Choices {
  answer: () => void;
  decline: () => void;
}
/** What the service worker says back when one of the buttons is pressed. */
export interface Chosen {
  kind: 'call';
  callId: string;
  choice: keyof Choices | 'look';
}

const isChosen = (data: unknown): data is Chosen =>
  typeof data === 'object' && data !== null && (data as Chosen).kind === 'call';

/** @returns takes it away again */
export function showCall({ callId, title, body }: Shown, choices: Choices): () => void {
  if (!('Notification' in window) || Notification.permission !== 'granted') return () => {};
  let gone = false;
  let close = () => {};
  const chosen = ({ data }: MessageEvent<unknown>) => {
    if (!isChosen(data) || data.callId !== callId) return;
    window.focus();
    if (data.choice === 'answer') choices.answer();
    else if (data.choice === 'decline') choices.decline();
  };
  navigator.serviceWorker?.addEventListener('message', chosen);
  void withButtons().catch(plainly);

  /** Only a service worker's notification has buttons. */
  async function withButtons(): Promise<void> {
    const registration = await navigator.serviceWorker?.getRegistration();
    if (!registration?.active) return plainly();
    const actions = [
      { action: 'answer', title: 'Answer' },
      { action: 'decline', title: 'Not now' },
    ];
    const options = { body, tag: callId, requireInteraction: true, actions, data: { callId } };
    await registration.showNotification(title, options as NotificationOptions);
    close = () =>
      void registration
        .getNotifications({ tag: callId })
        .then((all) => all.forEach((n) => n.close()))
        .catch(() => {});
    if (gone) close();
  }
  function plainly(): void {
    const note = new Notification(title, { body, tag: callId });
    note.onclick = () => window.focus();
    close = () => note.close();
    if (gone) close();
  }
  return () => {
    gone = true;
    navigator.serviceWorker?.removeEventListener('message', chosen);
    close();
  };
}
