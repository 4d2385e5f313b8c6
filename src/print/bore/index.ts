import type { KindReport } from '../kind'
import { moveSheetPdf, reportPdf } from './report'

export const boreReport: KindReport<'bore'> = { report: reportPdf, moveSheet: moveSheetPdf }
