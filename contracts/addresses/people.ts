import { z } from 'zod';
import {
  account,
  chosenPassword,
  disabling,
  forgottenPassword,
  invitation,
  invited,
  linkLook,
  firstAccount,
  openedLink,
  passwordChange,
  person,
  post,
  rolesChange,
  session,
  signIn,
} from '../accounts.ts';
import { job } from '../jobs.ts';
import {
  cohort,
  newCohort,
  newStudent,
  retirement,
  student,
  studentPage,
  studentSearch,
} from '../people.ts';
import { nothing } from '../primitives.ts';
import { importQuestion, upload, uploadQuery } from '../studentImport.ts';
import type { Contracts } from '../contract.ts';
import { SIGNED_IN, ADMINISTRATOR, LEAD } from './access.ts';

/** People: sessions, accounts, letters, cohorts and students. */
export const people = {
  'GET /session': {
    says: 'Who is signed in here',
    access: 'anyone',
    answers: session,
  },
  'POST /session': {
    says: 'Sign in',
    access: 'anyone',
    body: signIn,
    answers: session,
  },
  'DELETE /session': {
    says: 'Sign out',
    access: SIGNED_IN,
    answers: nothing,
  },
  'POST /accounts/first-administrator': {
    says: 'Make the first account of an empty installation',
    access: 'anyone',
    body: firstAccount,
    answers: session,
  },
  'GET /accounts/examiners': {
    says: 'The examiners who have an account',
    access: LEAD,
    answers: z.array(account),
  },
  'GET /accounts/leads': {
    says: 'Everybody who holds the role of a lead',
    access: LEAD,
    answers: z.array(account),
  },
  'GET /accounts': {
    says: 'Everybody, with their roles',
    access: ADMINISTRATOR,
    answers: z.array(person),
  },
  'POST /accounts': {
    says: 'Invite somebody, by a link with which they choose a password',
    access: ADMINISTRATOR,
    body: invitation,
    answers: invited,
  },
  'PUT /accounts/:account/roles': {
    says: 'Give and take roles; the last administrator stays one',
    access: ADMINISTRATOR,
    body: rolesChange,
    answers: person,
  },
  'PUT /accounts/:account/disabling': {
    says: 'Disable an account, which ends its sessions at once, or enable it again',
    access: ADMINISTRATOR,
    body: disabling,
    answers: person,
  },
  'POST /accounts/:account/link': {
    says: 'Send somebody a new link: the invitation again, or one for a new password',
    access: ADMINISTRATOR,
    answers: invited,
  },
  'POST /links/invitation/look': {
    says: 'Whom a link for choosing a password is for',
    access: 'anyone',
    body: linkLook,
    answers: openedLink,
  },
  'POST /links/invitation': {
    says: 'Choose a password by a link, once',
    access: 'anyone',
    body: chosenPassword,
    answers: session,
  },
  'POST /links/new-password': {
    says: 'Ask for a link for a new password, by mail, where there is an account of that address',
    access: 'anyone',
    body: forgottenPassword,
    answers: nothing,
  },
  'GET /post': {
    says: 'The letters that were written, the newest first',
    access: ADMINISTRATOR,
    answers: post,
  },
  'PUT /accounts/own/password': {
    says: 'Change the own password; every other session ends',
    access: SIGNED_IN,
    body: passwordChange,
    answers: session,
  },
  'GET /cohorts': {
    says: 'The cohorts, the newest first',
    access: LEAD,
    answers: z.array(cohort),
  },
  'POST /cohorts': {
    says: 'Make a cohort',
    access: LEAD,
    body: newCohort,
    answers: cohort,
  },
  'GET /cohorts/:cohort': {
    says: 'One cohort',
    access: LEAD,
    answers: cohort,
  },
  'GET /cohorts/:cohort/students': {
    says: 'A page of the students of a cohort',
    access: LEAD,
    query: studentSearch,
    answers: studentPage,
  },
  'POST /cohorts/:cohort/students': {
    says: 'Add a student to a cohort',
    access: LEAD,
    body: newStudent,
    answers: student,
  },
  'POST /cohorts/:cohort/uploads': {
    says: 'Bring a list of students, CSV or XLSX; its columns are answered, and nothing is taken yet',
    access: LEAD,
    query: uploadQuery,
    body: z.instanceof(Uint8Array),
    takes: 'table',
    answers: upload,
  },
  'POST /cohorts/:cohort/uploads/:upload/preview': {
    says: 'Read a whole list by its mapped columns and say what it would change; a job',
    access: LEAD,
    body: importQuestion,
    answers: job,
  },
  'POST /cohorts/:cohort/uploads/:upload/import': {
    says: 'Take a list of students, all of it or nothing; a job',
    access: LEAD,
    body: importQuestion,
    answers: job,
  },
  'PUT /students/:student': {
    says: 'Change what is known of a student',
    access: LEAD,
    body: newStudent,
    answers: student,
  },
  'PUT /students/:student/retirement': {
    says: 'Retire a student, or take it back; examinations keep their candidates',
    access: LEAD,
    body: retirement,
    answers: student,
  },
} as const satisfies Contracts;
