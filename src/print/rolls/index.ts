import type { KindReport } from '../kind'
import { moveSheetPdf, reportPdf } from './report'

export const rollsReport: KindReport<'rolls'> = { report: reportPdf, moveSheet: moveSheetPdf }
