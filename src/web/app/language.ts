import { pseudo, speak } from '../../words/language'

/**
 * The language of this page, chosen before anything is said: English, or the language that nobody speaks, by which a test (and
 * a person who looks) sees what is not translated. The first import of the page, so that it comes before every text.
 */
function chosen(): string | null {
  try {
    return localStorage.getItem('vane-peg-language')
  } catch {
    return null // a store that is forbidden: English
  }
}

if (chosen() === 'pseudo') speak(pseudo)
