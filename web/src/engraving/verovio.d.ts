declare module 'verovio/wasm' {
  export default function createVerovioModule(): Promise<unknown>
}

declare module 'verovio/esm' {
  export class VerovioToolkit {
    constructor(module: unknown)
    setOptions(options: Record<string, unknown>): void
    loadData(data: string): boolean
    redoLayout(): void
    getPageCount(): number
    renderToSVG(page: number): string
    renderToTimemap(options: Record<string, unknown>): import('./engraver').TimeEntry[]
  }
}
