import type { KindReport } from '../kind'
import { moveSheetPdf, reportPdf } from './report'

export const beltReport: KindReport<'belt'> = { report: reportPdf, moveSheet: moveSheetPdf }
