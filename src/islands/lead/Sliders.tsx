import { startTransition, useOptimistic } from 'react';
import { spanLengths } from '../../core/assembly';
import { loadOhms, sourceOhms } from '../../core/model';
import type { Lead } from '../../core/lead';
import { formatLength, formatResistance, mm } from '../../core/quantity';
import { GROUND_VOLTS, usualLoss, type Look } from '../../core/signal';
import { pairsOf, type Situation } from '../../core/situation';
import styles from './Signal.module.css';
import { Slider } from './Slider';

/** What is turned while the chart is watched: length, impedances, the difference of grounds, a control. */
// eslint-disable-next-line max-lines-per-function -- one view, read from top to bottom as it is seen.
export function Sliders({
  lead,
  use,
  look: seen,
  loop,
  onTurn: see,
  onTurning,
}: {
  lead: Lead;
  /** What its ends meet. */
  use: Situation;
  look: Look;
  /** Whether both ends stand on earth, so that a difference between them is heard. */
  loop: boolean;
  onTurn: (change: Partial<Look>) => void;
  onTurning: (turning: boolean) => void;
}) {
  // What is turned stands where the hand has it at once; all that hangs on it comes in pieces after it.
  const [look, show] = useOptimistic(seen);
  const onTurn = (change: Partial<Look>): void =>
    startTransition(() => {
      show((before) => ({ ...before, ...change }));
      see(change);
    });
  const { assembly } = lead;
  const [pair] = pairsOf(use);
  const [from, to] = [pair?.out, pair?.in];
  const asked = assembly.lengths[0]?.mm ?? 0;
  const longest = spanLengths(assembly).size > 0 ? asked : 0;
  const times = look.lengthTimes ?? 1;
  const hasControl = assembly.bodies.some((body) => body.parts.some((part) => part.kind === 'potentiometer'));
  const coil = from?.port.coil;
  const loss = look.lossDb ?? (from ? usualLoss(from) : 1);
  const slider = { onTurning: (turning: boolean) => startTransition(() => onTurning(turning)) };
  return (
    <div className={styles['sliders']}>
      {longest > 0 && (
        <Slider
          {...slider}
          name="length"
          value={(longest * times) / 1000}
          from={0.2}
          to={Math.max(200, (2 * longest) / 1000)}
          says={formatLength(mm(longest * times))}
          onChange={(metres) => onTurn({ lengthTimes: (1000 * metres) / longest })}
        />
      )}
      {coil && (
        <Slider
          {...slider}
          name="coil"
          value={look.sourceHenries ?? coil.henries}
          from={0.05}
          to={20}
          says={`${Number((look.sourceHenries ?? coil.henries).toPrecision(2))} H`}
          onChange={(henries) => onTurn({ sourceHenries: henries })}
        />
      )}
      {from && !coil && (
        <Slider
          {...slider}
          name="source"
          value={look.sourceOhms ?? sourceOhms(from)}
          from={from.port.signal === 'loudspeaker' ? 0.01 : 1}
          to={1e6}
          says={formatResistance(look.sourceOhms ?? sourceOhms(from))}
          onChange={(ohms) => onTurn({ sourceOhms: ohms })}
        />
      )}
      {to && (
        <Slider
          {...slider}
          name="load"
          value={look.loadOhms ?? loadOhms(to)}
          from={to.port.signal === 'loudspeaker' ? 2 : 16}
          to={1e7}
          says={formatResistance(look.loadOhms ?? loadOhms(to))}
          onChange={(ohms) => onTurn({ loadOhms: ohms })}
        />
      )}
      {loop && (
        <Slider
          {...slider}
          name="ground difference"
          value={1000 * (look.groundVolts ?? GROUND_VOLTS)}
          from={0.1}
          to={3000}
          says={`${Number((1000 * (look.groundVolts ?? GROUND_VOLTS)).toPrecision(2))} mV`}
          onChange={(millivolts) => onTurn({ groundVolts: millivolts / 1000 })}
        />
      )}
      {longest > 0 && (
        <Slider
          {...slider}
          name="temperature"
          linear
          value={look.celsius ?? 20}
          from={-20}
          to={80}
          says={`${Math.round(look.celsius ?? 20)} °C`}
          onChange={(celsius) => onTurn({ celsius })}
        />
      )}
      {longest > 0 && from && !coil && (
        <Slider
          {...slider}
          name="loss allowed"
          value={loss}
          from={0.05}
          to={6}
          says={`${Number(loss.toPrecision(2))} dB`}
          onChange={(lossDb) => onTurn({ lossDb })}
        />
      )}
      {hasControl && (
        <Slider
          {...slider}
          name="turn"
          linear
          value={100 * (look.turn ?? 0.5)}
          from={1}
          to={100}
          says={`${Math.round(100 * (look.turn ?? 0.5))} %`}
          onChange={(percent) => onTurn({ turn: percent / 100 })}
        />
      )}
    </div>
  );
}
