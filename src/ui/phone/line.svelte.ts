/** A phone window's line to the live switch: the calls of its business, as they are now. */
import { ExchangeClient, type LiveCall } from '$exchange';
import { freshId } from '../ids';

export class Line {
  calls = $state.raw<LiveCall[]>([]);
  problem = $state('');
  private client: ExchangeClient;

  constructor(businessId: string) {
    this.client = new ExchangeClient(
      businessId,
      (calls) => (this.calls = calls),
      () => freshId('act'),
    );
  }

  /** Does something to a call; when the switch does not answer that is said. */
  async act(...args: Parameters<ExchangeClient['act']>): Promise<void> {
    await this.tried(this.client.act(...args));
  }
  async say(...args: Parameters<ExchangeClient['say']>): Promise<void> {
    await this.tried(this.client.say(...args));
  }
  close(): void {
    this.client.close();
  }

  private async tried(work: Promise<void>): Promise<void> {
    try {
      await work;
      this.problem = '';
    } catch (error) {
      this.problem = error instanceof Error ? error.message : String(error);
    }
  }
}
