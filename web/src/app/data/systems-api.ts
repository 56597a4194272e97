import { HttpClient } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import {
  type DeviceNetworks,
  deviceNetworksSchema,
  type FoundSystem,
  foundSystemSchema,
  type Recording,
  recordingListSchema,
  recordingRowsSchema,
  recordingSchema,
  type RememberedOutages,
  rememberedOutagesSchema,
  rowOfSample,
  sampleOfRow,
  type SystemEvent,
  systemEventSchema,
} from '@levamen/core/api';
import type { OutageSample } from '@levamen/core/commissioning/details';
import type { SystemAddress } from '@levamen/core/house';
import { map, type Observable } from 'rxjs';
import { parsed } from './parsed';
import { serverEvents } from './server-events';

/** Where the server closed the line for good, it is asked again after this, ms. */
const againMs = 5000;

/** Devices of systems as the server asks them, and what it records; answers are validated. */
@Injectable({ providedIn: 'root' })
export class SystemsApi {
  private readonly http = inject(HttpClient);

  networks(): Observable<DeviceNetworks> {
    return this.http.get('/api/device-networks').pipe(parsed(deviceNetworksSchema));
  }

  allow(networks: DeviceNetworks): Observable<DeviceNetworks> {
    return this.http.put('/api/device-networks', networks).pipe(parsed(deviceNetworksSchema));
  }

  find(jobId: string, system: SystemAddress): Observable<FoundSystem> {
    return this.http.post(`/api/jobs/${jobId}/system/find`, system).pipe(parsed(foundSystemSchema));
  }

  /** What the devices show, second by second, for as long as somebody listens. null = the line is down. */
  live(jobId: string, { host, port, units, httpPort }: SystemAddress): Observable<SystemEvent | null> {
    const query = new URLSearchParams({ host, port: String(port), units, httpPort: String(httpPort ?? '') });
    return serverEvents(`/api/jobs/${jobId}/system/live?${query.toString()}`, systemEventSchema, againMs);
  }

  recordings(jobId: string): Observable<Recording[]> {
    return this.http.get(`/api/jobs/${jobId}/system/recordings`).pipe(parsed(recordingListSchema));
  }

  begin(jobId: string, name: string, system: SystemAddress): Observable<Recording> {
    return this.http
      .post(`/api/jobs/${jobId}/system/recordings`, { name, system })
      .pipe(parsed(recordingSchema));
  }

  end(jobId: string, recordingId: string): Observable<unknown> {
    return this.http.post(`/api/jobs/${jobId}/system/recordings/${recordingId}/end`, {});
  }

  /** Asks a system for the outages it remembers. */
  remembered(jobId: string, system: SystemAddress): Observable<RememberedOutages> {
    return this.http.post(`/api/jobs/${jobId}/system/outages`, system).pipe(parsed(rememberedOutagesSchema));
  }

  /** Keeps readings of a file as a recording. */
  take(
    jobId: string,
    name: string,
    beganAt: string,
    samples: readonly OutageSample[],
  ): Observable<Recording> {
    const rows = samples.map(rowOfSample);
    return this.http
      .post(`/api/jobs/${jobId}/system/recordings/import`, { name, beganAt, rows })
      .pipe(parsed(recordingSchema));
  }

  /** What was recorded, in the order of time. */
  samples(jobId: string, recordingId: string): Observable<OutageSample[]> {
    return this.http.get(`/api/jobs/${jobId}/system/recordings/${recordingId}`).pipe(
      parsed(recordingRowsSchema),
      map(({ rows }) => rows.map(sampleOfRow)),
    );
  }
}
