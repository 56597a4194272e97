import { HttpClient } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import {
  type CompanySheetChange,
  type IssuedPaper,
  issuedPaperListSchema,
  type KeptCompanySheet,
  keptCompanySheetSchema,
  type NewClientLink,
  newClientLinkSchema,
  type PaperLinks,
  paperLinksSchema,
  type PaperOrder,
  type PaperOrderRequest,
  paperOrderSchema,
} from '@levamen/core/api';
import { map, type Observable } from 'rxjs';
import { parsed } from './parsed';

/** Papers of jobs, and what the company prints on them; answers are validated. */
@Injectable({ providedIn: 'root' })
export class PapersApi {
  private readonly http = inject(HttpClient);

  companySheet(): Observable<KeptCompanySheet> {
    return this.http.get('/api/company-sheet').pipe(parsed(keptCompanySheetSchema));
  }

  keepCompanySheet(change: CompanySheetChange): Observable<KeptCompanySheet> {
    return this.http.put('/api/company-sheet', change).pipe(parsed(keptCompanySheetSchema));
  }

  /** Keeps a mark; answers with its digest. */
  keepLogo(picture: Blob): Observable<string> {
    return this.http
      .post<{ digest: string }>('/api/company-sheet/logo', picture, {
        headers: { 'content-type': picture.type },
      })
      .pipe(map(({ digest }) => digest));
  }

  list(jobId: string): Observable<IssuedPaper[]> {
    return this.http.get(`/api/jobs/${jobId}/papers`).pipe(parsed(issuedPaperListSchema));
  }

  order(jobId: string, asked: PaperOrderRequest): Observable<PaperOrder> {
    return this.http.post(`/api/jobs/${jobId}/papers/orders`, asked).pipe(parsed(paperOrderSchema));
  }

  orderNow(jobId: string, orderId: string): Observable<PaperOrder> {
    return this.http.get(`/api/jobs/${jobId}/papers/orders/${orderId}`).pipe(parsed(paperOrderSchema));
  }

  cancel(jobId: string, orderId: string): Observable<unknown> {
    return this.http.delete(`/api/jobs/${jobId}/papers/orders/${orderId}`);
  }

  /** What was made for an order. */
  made(jobId: string, orderId: string): Observable<Blob> {
    return this.http.get(`/api/jobs/${jobId}/papers/orders/${orderId}/file`, { responseType: 'blob' });
  }

  /** An issued paper, byte for byte. */
  file(jobId: string, paperId: string): Observable<Blob> {
    return this.http.get(`/api/jobs/${jobId}/papers/${paperId}/file`, { responseType: 'blob' });
  }

  erase(jobId: string, paperId: string): Observable<unknown> {
    return this.http.delete(`/api/jobs/${jobId}/papers/${paperId}`);
  }

  links(jobId: string, paperId: string): Observable<PaperLinks> {
    return this.http.get(`/api/jobs/${jobId}/papers/${paperId}/links`).pipe(parsed(paperLinksSchema));
  }

  give(jobId: string, paperId: string, days: number): Observable<NewClientLink> {
    return this.http
      .post(`/api/jobs/${jobId}/papers/${paperId}/links`, { days })
      .pipe(parsed(newClientLinkSchema));
  }

  endLink(jobId: string, paperId: string, linkId: string): Observable<unknown> {
    return this.http.delete(`/api/jobs/${jobId}/papers/${paperId}/links/${linkId}`);
  }
}
