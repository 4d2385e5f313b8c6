import type { KindReport } from '../kind'
import { moveSheetPdf } from './moveSheet'
import { reportPdf } from './pdf'

export const trainReport: KindReport<'train'> = { report: reportPdf, moveSheet: moveSheetPdf }
