import type { KindReport } from '../kind'
import { moveSheetPdf, reportPdf } from './report'

export const uprightReport: KindReport<'upright'> = { report: reportPdf, moveSheet: moveSheetPdf }
