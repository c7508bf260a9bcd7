/** @jest-environment jsdom */
import { createElement as h } from 'react'
import { formsHold } from '@/ui/fields/form.testing'
import { InviteForm } from '../settings/people/InviteForm'
import { LicenceForm } from '../settings/people/LicenceForm'
import { Password } from '../settings/Password'
import { NewSite } from './[client]/new-site/NewSite'
import { NewClient } from './new/NewClient'

jest.mock('next/navigation', () => ({
  useRouter: () => ({ refresh: () => {}, push: () => {} }),
  usePathname: () => '/clients',
}))

const nothing = () => {}

formsHold([
  {
    name: 'a client',
    draw: () => h(NewClient),
    verb: 'add-client',
    type: { 'Name of the client': 'Mill Row', 'Whom to ask for': 'Ada Fell', Telephone: '+1 555 0100' },
    press: 'Keep it, then their site →',
    sends: {
      name: 'Mill Row',
      contacts: [{ name: 'Ada Fell', telephone: '+1 555 0100', role: '', email: '', language: 'en' }],
    },
    beside: {
      name: 'Name of the client',
      'contacts[0].name': 'Whom to ask for',
      'contacts[0].telephone': 'Telephone',
      notices: 'Wants to be told of work',
    },
    atForm: ['contacts'],
    answer: { id: 'c-1' },
    names: 'id',
  },
  {
    name: 'a site',
    draw: () => h(NewSite, { client: { id: '01a23130-d38d-774c-a6a5-2e553b6e03ef', name: 'Mill Row' } }),
    verb: 'add-site',
    type: {
      'Name of the site': 'Weir',
      Address: 'Mill Lane',
      'Latitude, °': '42.31',
      'Longitude, °': '-75.2',
    },
    press: 'Keep it, then its trees →',
    sends: {
      clientId: '01a23130-d38d-774c-a6a5-2e553b6e03ef',
      name: 'Weir',
      address: 'Mill Lane',
      latitude: '42.31',
    },
    beside: { name: 'Name of the site', address: 'Address', latitude: 'Latitude, °' },
    atForm: ['clientId'],
    answer: { id: 's-1' },
    names: 'id',
  },
  {
    name: 'an invitation',
    draw: () => h(InviteForm, { onDone: nothing, onLeave: nothing }),
    verb: 'invite',
    type: { Name: 'Nell Arden', 'E-mail': 'nell@fennick.example', Role: 'office' },
    press: 'Make the invitation',
    sends: { name: 'Nell Arden', email: 'nell@fennick.example', role: 'office', keepsHouse: false },
    beside: { name: 'Name', email: 'E-mail', role: 'Role' },
    answer: { link: '/enter?token=x', posted: false },
    names: 'id',
  },
  {
    name: 'a licence',
    draw: () =>
      h(LicenceForm, { personId: '01a23130-d38d-774c-a6a5-2e553b6e03ef', onDone: nothing, onLeave: nothing }),
    verb: 'add-licence',
    type: {
      'Licence number': 'L-1',
      'State or authority': 'NY',
      'Good until': '2027-12-31',
      'trees and shrubs': true,
    },
    press: 'Put it on file',
    sends: { number: 'L-1', state: 'NY', until: '2027-12-31', categories: ['trees'] },
    beside: { number: 'Licence number', state: 'State or authority', until: 'Good until' },
    answer: { id: 'l-1' },
    names: 'id',
  },
  {
    name: 'a new password',
    draw: () => h(Password),
    verb: 'change-password',
    open: ['Change your password'],
    type: { 'Password as it is': 'four words in a row', 'New password': 'other words in a row' },
    press: 'Change it',
    sends: { old: 'four words in a row', password: 'other words in a row' },
    beside: { old: 'Password as it is', password: 'New password' },
    answer: { ended: 0 },
  },
])
