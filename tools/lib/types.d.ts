declare module '*/browser.mjs' {
  export const launchOptions: { executablePath: string; args: string[] }
}
declare module '*/cluster.mjs' {
  export function temporaryCluster(): Promise<{ adminUrl: string; stop: () => Promise<void> }>
}
declare module '*/prepare.mjs' {
  export function needBuild(): void
  export function needDebian(...names: string[]): void
}
declare module '*/serve.mjs' {
  import type { ChildProcess } from 'node:child_process'
  export function serve(
    databaseUrl: string,
    port: number,
    env?: Record<string, string>,
  ): Promise<{ port: number; address: string; child: ChildProcess; stop: () => Promise<void> }>
}
