import { testerChannel } from '#core/calibration/preparation';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { keepTyped } from '../../ui/keepTyped';
import { useBench } from '../bench/BenchContext';
import type { Route } from './+types/route';
import { CalibrationGuide } from './CalibrationGuide';
import { CalibrationResult } from './CalibrationResult';
import { NothingToTeach } from './NothingToTeach';
import type { Occasion } from './occasion';
import { Preparation } from './Preparation';
import { keepRadioPrepared } from './prepareRadio.server';
import { RealGuide } from './RealGuide';
import { useChosenEsc } from './useEndpoints';

export const action = ({ params }: Route.ActionArgs) => keepRadioPrepared(params.rigId);

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);

/** Endpoints: prepare the radio, see the whole, make it safe, calibrate, see that trigger and ESC agree. */
export default function EndpointsRoute({ actionData }: Route.ComponentProps) {
  const { escNumber } = useChosenEsc();
  return (
    <>
      <AwayNotice answer={actionData} />
      <CalibrateOne key={escNumber} />
    </>
  );
}

function CalibrateOne() {
  const { rig, profile } = useBench();
  const { last } = useChosenEsc();
  // A passed rehearsal leads here: to the same calibration on the real ESC.
  const isRehearsed = useSearchParams()[0].get('on') === 'own';
  const [step, setStep] = useState<'look' | 'prepare' | 'guide'>(last && !isRehearsed ? 'look' : 'prepare');
  const [precaution, setPrecaution] = useState<string>();
  const [occasion, setOccasion] = useState<Occasion>({
    how: isRehearsed ? 'onYourWord' : 'simulated',
    source: 'radio',
  });
  const channel = occasion.source === 'tester' ? testerChannel(rig.channel) : rig.channel;
  const done = (): void => setStep('look');

  if (step === 'look') return <CalibrationResult onAgain={() => setStep('prepare')} />;
  if (profile.calibration.family === 'none')
    return <NothingToTeach reason={profile.calibration.reason} onDone={done} />;
  if (step === 'guide' && precaution !== undefined) {
    const Guide = occasion.how === 'simulated' ? CalibrationGuide : RealGuide;
    return (
      <Guide
        channel={channel}
        source={occasion.source}
        precaution={precaution}
        onDone={done}
        onStop={() => setStep('prepare')}
      />
    );
  }
  return (
    <Preparation
      channel={channel}
      occasion={occasion}
      onOccasion={setOccasion}
      precaution={precaution}
      onPrecaution={setPrecaution}
      onBegin={() => setStep('guide')}
    />
  );
}
