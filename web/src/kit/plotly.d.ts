declare module 'plotly.js-cartesian-dist-min' {
  /** The few calls that are used here. */
  export interface PlotlyStatic {
    react(element: HTMLElement, data: readonly object[], layout: object, config?: object): Promise<HTMLElement>
    purge(element: HTMLElement): void
  }
  const Plotly: PlotlyStatic
  export default Plotly
}
