'use client'
import dynamic from 'next/dynamic'
import { withPage } from '@/ui/pieces/afterPage'

// What stands on its page from the first and brings much along: what a form checks by, all that is searched. The page is read meanwhile.

export const ForgotForm = withPage(() =>
  dynamic(() => import('./forgot-password/ForgotForm').then((m) => m.ForgotForm)),
)
export const SignInForm = withPage(() =>
  dynamic(() => import('./sign-in/SignInForm').then((m) => m.SignInForm)),
)
export const EnterForm = withPage(() => dynamic(() => import('./enter/EnterForm').then((m) => m.EnterForm)))
export const NewPasswordForm = withPage(() =>
  dynamic(() => import('./new-password/NewPasswordForm').then((m) => m.NewPasswordForm)),
)
export const SetUpForm = withPage(() => dynamic(() => import('./setup/SetUpForm').then((m) => m.SetUpForm)))
export const Password = withPage(() =>
  dynamic(() => import('./(work)/settings/Password').then((m) => m.Password)),
)
export const Factor = withPage(() => dynamic(() => import('./(work)/settings/Factor').then((m) => m.Factor)))
export const FirmForm = withPage(() =>
  dynamic(() => import('./(work)/settings/firm/FirmForm').then((m) => m.FirmForm)),
)
export const Tokens = withPage(() => dynamic(() => import('./(work)/settings/Tokens').then((m) => m.Tokens)))
export const Limits = withPage(() =>
  dynamic(() => import('./(work)/grounds/[site]/limits/Limits').then((m) => m.Limits)),
)
export const AboutSite = withPage(() =>
  dynamic(() => import('./(work)/grounds/[site]/about/AboutSite').then((m) => m.AboutSite)),
)
export const NewClient = withPage(() =>
  dynamic(() => import('./(work)/clients/new/NewClient').then((m) => m.NewClient)),
)
export const NewSite = withPage(() =>
  dynamic(() => import('./(work)/clients/[client]/new-site/NewSite').then((m) => m.NewSite)),
)
export const DueAgainLines = withPage(() =>
  dynamic(() => import('./(work)/run/DueAgainLines').then((m) => m.DueAgainLines)),
)
export const Decide = withPage(() =>
  dynamic(() => import('./(work)/trees/[id]/decide/Decide').then((m) => m.Decide)),
)
export const OwnNote = withPage(() =>
  dynamic(() => import('./(work)/almanac/[kind]/[id]/OwnNote').then((m) => m.OwnNote)),
)
export const OwnOfCause = withPage(() =>
  dynamic(() => import('./(work)/almanac/[kind]/[id]/OwnOfCause').then((m) => m.OwnOfCause)),
)
export const HouseRule = withPage(() =>
  dynamic(() => import('./(work)/almanac/[kind]/[id]/HouseRule').then((m) => m.HouseRule)),
)
export const Lots = withPage(() => dynamic(() => import('./(work)/shelf/[code]/Lots').then((m) => m.Lots)))
export const CardForm = withPage(() =>
  dynamic(() => import('./(work)/shelf/new/CardForm').then((m) => m.CardForm)),
)
export const Case = withPage(() =>
  dynamic(() => import('./(work)/practice/[kind]/[id]/Case').then((m) => m.Case)),
)
export const AlmanacList = withPage(() =>
  dynamic(() => import('./(work)/almanac/AlmanacList').then((m) => m.AlmanacList)),
)
export const RunJob = withPage(() => dynamic(() => import('./(work)/run/[job]/RunJob').then((m) => m.RunJob)))
export const Examine = withPage(() =>
  dynamic(() => import('./(work)/trees/[id]/examine/Examine').then((m) => m.Examine)),
)
export const Weigh = withPage(() =>
  dynamic(() => import('./(work)/trees/[id]/weigh/Weigh').then((m) => m.Weigh)),
)
export const GroupPrescribe = withPage(() =>
  dynamic(() => import('./(work)/grounds/[site]/prescribe/GroupPrescribe').then((m) => m.GroupPrescribe)),
)
export const TreePage = withPage(() =>
  dynamic(() => import('./(work)/trees/[id]/TreePage').then((m) => m.TreePage)),
)
export const EnterResult = withPage(() =>
  dynamic(() => import('./(work)/follow-up/[id]/EnterResult').then((m) => m.EnterResult)),
)
export const Crews = withPage(() => dynamic(() => import('./(work)/week/crews/Crews').then((m) => m.Crews)))
export const Season = withPage(() =>
  dynamic(() => import('./(work)/grounds/[site]/season/Season').then((m) => m.Season)),
)
export const SiteWork = withPage(() =>
  dynamic(() => import('./(work)/grounds/[site]/SiteWork').then((m) => m.SiteWork)),
)
export const Prescribe = withPage(() =>
  dynamic(() => import('./(work)/trees/[id]/prescribe/Prescribe').then((m) => m.Prescribe)),
)
export const LoadOut = withPage(() =>
  dynamic(() => import('./(work)/run/load/LoadOut').then((m) => m.LoadOut)),
)
