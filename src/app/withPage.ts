'use client'
import dynamic from 'next/dynamic'
import { onceAlive, withPage } from '@/ui/pieces/afterPage'

// What stands on its page from the first and brings much along: what a form checks by, all that is searched. The page is read meanwhile.

export const ForgotForm = withPage(() =>
  dynamic(() => import('./forgot-password/ForgotForm').then((m) => onceAlive(m.ForgotForm))),
)
export const SignInForm = withPage(() =>
  dynamic(() => import('./sign-in/SignInForm').then((m) => onceAlive(m.SignInForm))),
)
export const EnterForm = withPage(() =>
  dynamic(() => import('./enter/EnterForm').then((m) => onceAlive(m.EnterForm))),
)
export const NewPasswordForm = withPage(() =>
  dynamic(() => import('./new-password/NewPasswordForm').then((m) => onceAlive(m.NewPasswordForm))),
)
export const SetUpForm = withPage(() =>
  dynamic(() => import('./setup/SetUpForm').then((m) => onceAlive(m.SetUpForm))),
)
export const Password = withPage(() =>
  dynamic(() => import('./(work)/settings/Password').then((m) => onceAlive(m.Password))),
)
export const Factor = withPage(() =>
  dynamic(() => import('./(work)/settings/Factor').then((m) => onceAlive(m.Factor))),
)
export const FirmForm = withPage(() =>
  dynamic(() => import('./(work)/settings/firm/FirmForm').then((m) => onceAlive(m.FirmForm))),
)
export const Tokens = withPage(() =>
  dynamic(() => import('./(work)/settings/Tokens').then((m) => onceAlive(m.Tokens))),
)
export const Limits = withPage(() =>
  dynamic(() => import('./(work)/grounds/[site]/limits/Limits').then((m) => onceAlive(m.Limits))),
)
export const AboutSite = withPage(() =>
  dynamic(() => import('./(work)/grounds/[site]/about/AboutSite').then((m) => onceAlive(m.AboutSite))),
)
export const NewClient = withPage(() =>
  dynamic(() => import('./(work)/clients/new/NewClient').then((m) => onceAlive(m.NewClient))),
)
export const NewSite = withPage(() =>
  dynamic(() => import('./(work)/clients/[client]/new-site/NewSite').then((m) => onceAlive(m.NewSite))),
)
export const DueAgainLines = withPage(() =>
  dynamic(() => import('./(work)/run/DueAgainLines').then((m) => onceAlive(m.DueAgainLines))),
)
export const Decide = withPage(() =>
  dynamic(() => import('./(work)/trees/[id]/decide/Decide').then((m) => onceAlive(m.Decide))),
)
export const OwnNote = withPage(() =>
  dynamic(() => import('./(work)/almanac/[kind]/[id]/OwnNote').then((m) => onceAlive(m.OwnNote))),
)
export const OwnOfCause = withPage(() =>
  dynamic(() => import('./(work)/almanac/[kind]/[id]/OwnOfCause').then((m) => onceAlive(m.OwnOfCause))),
)
export const HouseRule = withPage(() =>
  dynamic(() => import('./(work)/almanac/[kind]/[id]/HouseRule').then((m) => onceAlive(m.HouseRule))),
)
export const Lots = withPage(() =>
  dynamic(() => import('./(work)/shelf/[code]/Lots').then((m) => onceAlive(m.Lots))),
)
export const CardForm = withPage(() =>
  dynamic(() => import('./(work)/shelf/new/CardForm').then((m) => onceAlive(m.CardForm))),
)
export const Case = withPage(() =>
  dynamic(() => import('./(work)/practice/[kind]/[id]/Case').then((m) => onceAlive(m.Case))),
)
export const AlmanacList = withPage(() =>
  dynamic(() => import('./(work)/almanac/AlmanacList').then((m) => onceAlive(m.AlmanacList))),
)
export const RunJob = withPage(() =>
  dynamic(() => import('./(work)/run/[job]/RunJob').then((m) => onceAlive(m.RunJob))),
)
export const Examine = withPage(() =>
  dynamic(() => import('./(work)/trees/[id]/examine/Examine').then((m) => onceAlive(m.Examine))),
)
export const Weigh = withPage(() =>
  dynamic(() => import('./(work)/trees/[id]/weigh/Weigh').then((m) => onceAlive(m.Weigh))),
)
export const GroupPrescribe = withPage(() =>
  dynamic(() =>
    import('./(work)/grounds/[site]/prescribe/GroupPrescribe').then((m) => onceAlive(m.GroupPrescribe)),
  ),
)
export const TreePage = withPage(() =>
  dynamic(() => import('./(work)/trees/[id]/TreePage').then((m) => onceAlive(m.TreePage))),
)
export const EnterResult = withPage(() =>
  dynamic(() => import('./(work)/follow-up/[id]/EnterResult').then((m) => onceAlive(m.EnterResult))),
)
export const Crews = withPage(() =>
  dynamic(() => import('./(work)/week/crews/Crews').then((m) => onceAlive(m.Crews))),
)
export const Season = withPage(() =>
  dynamic(() => import('./(work)/grounds/[site]/season/Season').then((m) => onceAlive(m.Season))),
)
export const SiteWork = withPage(() =>
  dynamic(() => import('./(work)/grounds/[site]/SiteWork').then((m) => onceAlive(m.SiteWork))),
)
export const Prescribe = withPage(() =>
  dynamic(() => import('./(work)/trees/[id]/prescribe/Prescribe').then((m) => onceAlive(m.Prescribe))),
)
export const LoadOut = withPage(() =>
  dynamic(() => import('./(work)/run/load/LoadOut').then((m) => onceAlive(m.LoadOut))),
)
