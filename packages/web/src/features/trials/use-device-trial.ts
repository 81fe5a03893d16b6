/** Measuring on a device that shows the take: it scrolls the page by the gesture, in its own browser, and says how its frames went. */
import { useMutation, useQuery } from '@tanstack/react-query';
import type { DeviceFacts } from '@lyvek/api';
import { DEVICES, itemAt, makeRidePath, present, riddenResult, toDuration } from '@lyvek/core';
import type { Ridden, TrialResult, TrialSetup } from '@lyvek/core';
import { useQuestion } from '../../preview/use-simulation.ts';
import { api } from '../../state/api.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import { notify, notifyError } from '../../ui/notices.tsx';
import { measureMenuText } from './text.ts';

/** After the gesture, ms: what is damped comes to rest meanwhile. */
const REST_MS = 700;

export interface DeviceTrial {
  /** devices that show the take now */
  devices: readonly DeviceFacts[];
  run(device: DeviceFacts): void;
  /** what is measuring */
  on: DeviceFacts | null;
}

export function useDeviceTrial(
  setupFor: (device: string) => TrialSetup,
  onDone: (result: TrialResult) => void,
): DeviceTrial {
  const { take } = useOpenedPage();
  const { gesture } = useQuestion();
  // The bar asks for it while it runs.
  const { data } = useQuery({
    queryKey: ['show', take.id],
    queryFn: () => api.show({ id: take.id }),
    enabled: false,
  });
  const measuring = useMutation({
    mutationFn: async (device: DeviceFacts): Promise<TrialResult | null> => {
      const { width, height, max } = present(device.report);
      const setup: TrialSetup = {
        // It is as fast as it is: it plays no other device.
        ...setupFor(itemAt(DEVICES, 0).id),
        viewport: { width: Math.round(width), height: Math.round(height) },
        lasts: toDuration(gesture, max),
        on: device.name,
      };
      const path = makeRidePath(gesture, max, setup.direction);
      const body = { path: { t: [...path.t], y: [...path.y] }, rest: REST_MS };
      const runs: Ridden[] = [];
      for (let i = 0; i <= setup.repeats; i++)
        runs.push(await api.rideDevice({ id: take.id, name: device.id, body }));
      return riddenResult(setup, runs, { hidden: runs.some((r) => r.hidden), seen: 1 });
    },
    onSuccess: (result) =>
      result ? onDone(result) : notify(measureMenuText.theDeviceShowedNothing, { wrong: true }),
    onError: notifyError,
  });
  return {
    devices: data?.running?.devices.filter((d) => d.state === 'shows' && d.report) ?? [],
    run: measuring.mutate,
    on: measuring.isPending ? (measuring.variables ?? null) : null,
  };
}
