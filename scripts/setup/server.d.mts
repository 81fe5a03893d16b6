export interface KeptServer {
  ready: object;
  pid(): number;
  stop(): Promise<void>;
}
export function startServer(options: {
  args: readonly string[];
  env: Record<string, string>;
  keepAlive?: boolean;
  log?: number | 'inherit';
}): Promise<KeptServer>;
