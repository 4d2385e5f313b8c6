import { Link } from 'react-router'
import styled from 'styled-components'
import { buttonLook } from './controls'

/** A link within the application that looks like a button. */
export const ButtonLink = styled(Link)<{ $look?: 'act' | 'plain' | 'quiet' }>`${buttonLook}`
