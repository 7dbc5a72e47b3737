import { keepRadioPrepared } from './prepareRadio.server';
import { useState } from 'react';
import { AwayNotice } from '../../ui/AwayNotice';
import { keepTyped } from '../../ui/keepTyped';
import { useBench } from '../bench/BenchContext';
import type { Route } from './+types/route';
import { CalibrationGuide } from './CalibrationGuide';
import { CalibrationResult } from './CalibrationResult';
import { Preparation } from './Preparation';

export const action = ({ params }: Route.ActionArgs) => keepRadioPrepared(params.rigId);

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);

/** Endpoints: make it safe, prepare the radio, calibrate, see that trigger and ESC agree. */
export default function EndpointsRoute({ actionData }: Route.ComponentProps) {
  const { stations } = useBench();
  const [step, setStep] = useState<'look' | 'prepare' | 'guide'>(
    stations.endpoints.state === 'due' ? 'prepare' : 'look',
  );
  const [precaution, setPrecaution] = useState<string>();
  if (step === 'guide' && precaution !== undefined) {
    return <CalibrationGuide precaution={precaution} onDone={() => setStep('look')} />;
  }
  if (step === 'prepare') {
    return (
      <>
        <AwayNotice answer={actionData} />
        <Preparation precaution={precaution} onPrecaution={setPrecaution} onBegin={() => setStep('guide')} />
      </>
    );
  }
  return <CalibrationResult onAgain={() => setStep('prepare')} />;
}
