/** A flat bar with its controls and the hands that hold it, to lay over the example rider; made up. */
export const flatBar = {
  frameReach: 430, frameStack: 600, headAngle: 67, headset: 12, spacers: 20, spacersAbove: 10, stemLength: 50, stemAngle: 6,
  barWidth: 780, barRise: 20, barForward: 0, barBacksweep: 8, barUpsweep: 5, barBend: 80, handFromEnd: [60, 60], barRoll: 0,
  handBreadth: [84, 84], handLength: [185, 185], indexFinger: [70, 70], thumbLength: [60, 60], gripLength: [132, 132],
  leverClamp: [10, 10], leverHook: [66, 66], brakeClampWidth: [14, 14], leverReach: [75, 75], leverAngle: [36, 36], forearmReady: [36, 36],
  shifterPlace: 'inside', shifterClamp: [30, 30], shifterClampWidth: [14, 14], shifterPaddle: [30, 30], gripDiameter: [36, 36], handSweep: [9, 9], handRise: [6, 6],
  handReach: 470, handHeight: 700, gripSpacing: 656,
} as const // prettier-ignore
