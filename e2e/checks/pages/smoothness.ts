import { reveal } from '../corpus.ts';
import type { CorpusPage } from '../corpus.ts';

export const SMOOTHNESS: readonly CorpusPage[] = [
  {
    name: 'a reveal within a breath',
    css: reveal('#card', 'entry 40% entry 60%', 'rise'),
    expect: ['too-few-frames'],
    may: ['step-too-large', 'jump'],
  },
  {
    name: 'a card that crosses the page at once',
    css: `#one { overflow-x: clip; } @keyframes across { from { translate: 2400px 0; } } ${reveal('#card', 'entry 0% entry 100%', 'across')}`,
    expect: ['step-too-large'],
  },
  {
    name: 'a keyframe that jumps',
    css: `@keyframes hop { 0% { translate: 0 0; animation-timing-function: step-end; } 50%, 100% { translate: 0 200px; } } ${reveal('#card', 'cover 20% cover 80%', 'hop')}`,
    expect: ['jump'],
    may: ['step-too-large', 'kink'],
  },
  {
    name: 'one that all but jumps',
    css: `@keyframes hop { 0%, 49% { translate: 0 0; } 50%, 100% { translate: 0 200px; } } ${reveal('#card', 'cover 20% cover 80%', 'hop')}`,
    expect: ['step-too-large'],
    may: ['jump', 'kink'],
  },
  {
    name: 'a heading within a breath',
    css: reveal('#h-two', 'contain 50% contain 54%', 'come'),
    expect: ['too-few-frames'],
    may: ['step-too-large'],
  },
  {
    name: 'a row within a breath',
    css: reveal('.row .card', 'cover 48% cover 50%', 'grow'),
    expect: ['too-few-frames'],
    may: ['step-too-large', 'kink'],
  },
  {
    name: 'a reveal with time',
    css: reveal('#card', 'entry 0% cover 40%', 'rise'),
    near: ['too-few-frames', 'step-too-large', 'jump', 'kink', 'eased-scrub', 'reversal'],
  },
  { name: 'a short fade', css: reveal('#card', 'entry 0% cover 40%', 'fade'), near: ['too-few-frames'] },
  {
    name: 'a breath, and a hand that reads',
    css: reveal('#card', 'entry 0% entry 60%', 'rise'),
    gesture: 'slow-read',
    near: ['too-few-frames', 'step-too-large'],
  },
  {
    name: 'a row that crosses',
    css: `#two { overflow-x: clip; } @keyframes across { from { translate: 1900px 0; } } ${reveal('.row', 'entry 0% entry 100%', 'across')}`,
    expect: ['step-too-large'],
  },
  {
    name: 'a card that crosses slowly',
    css: `#one { overflow-x: clip; } @keyframes across { from { translate: 600px 0; } } ${reveal('#card', 'cover 0% cover 100%', 'across')}`,
    near: ['step-too-large', 'sideways-scroll'],
  },
  {
    name: 'a card in steps',
    css: `#card { animation: come steps(4) both; animation-timeline: view(); animation-range: cover 10% cover 80%; }`,
    expect: ['jump'],
    may: ['step-too-large', 'kink'],
  },
  {
    name: 'a flash',
    css: `@keyframes flash { 0% { opacity: 1; animation-timing-function: step-end; } 50%, 100% { opacity: 0.4; } } ${reveal('#picture', 'cover 10% cover 90%', 'flash')}`,
    expect: ['jump'],
    may: ['unseen-where-read'],
  },
  {
    name: 'a word that flips at its end',
    css: `@keyframes shown { to { visibility: visible; } } ${reveal('#picture', 'cover 10% cover 90%', 'shown')}`,
    near: ['jump'],
  },
  {
    name: 'steps too small to be seen',
    css: `@keyframes bit { from { translate: 0 2px; } } #card { animation: bit steps(8) both; animation-timeline: view(); animation-range: cover 10% cover 80%; }`,
    may: ['jump', 'kink'],
  },
  {
    name: 'a card that stops at once',
    css: `@keyframes stop { 0% { translate: -335px 0; } 30%, 100% { translate: 0 0; } } ${reveal('#card', 'entry 0% cover 60%', 'stop')}`,
    expect: ['kink'],
    may: ['step-too-large'],
  },
  {
    name: 'a card that goes to and fro',
    css: `@keyframes sway { 50% { translate: 300px 0; } } ${reveal('#card', 'cover 20% cover 80%', 'sway')}`,
    expect: ['kink'],
  },
  {
    name: 'a heading that turns sharply',
    css: `@keyframes up { 0% { translate: 0 0; } 40% { translate: 0 -400px; } 100% { translate: 0 0; } } ${reveal('#h-two', 'cover 20% cover 70%', 'up')}`,
    expect: ['kink'],
    may: ['step-too-large'],
  },
  {
    name: 'a bend that is hardly one',
    css: `@keyframes bend { 0% { translate: 0 60px; } 60% { translate: 0 20px; } 100% { translate: 0 0; } } ${reveal('#card', 'cover 0% cover 80%', 'bend')}`,
    near: ['kink', 'reversal', 'jump'],
  },
  {
    name: 'a turn that is eased',
    css: `@keyframes sway { 0%, 100% { animation-timing-function: ease-in-out; } 50% { translate: 120px 0; animation-timing-function: ease-in-out; } } ${reveal('#card', 'cover 0% cover 100%', 'sway')}`,
    near: ['kink', 'reversal'],
  },
  {
    name: 'a steep easing',
    css: `#card { animation: come cubic-bezier(0.05, 0.95, 0.1, 1) both; animation-timeline: view(); animation-range: entry 0% cover 60%; }`,
    expect: ['eased-scrub'],
    may: ['step-too-large'],
  },
  {
    name: 'a steep easing on a row',
    css: `.row .card { animation: come cubic-bezier(0.9, 0, 0.95, 0.1) both; animation-timeline: view(); animation-range: entry 0% cover 60%; }`,
    expect: ['eased-scrub'],
    may: ['step-too-large'],
  },
  {
    name: 'a steep easing over a short way',
    css: `#h-two { animation: grow cubic-bezier(0, 1, 0, 1) both; animation-timeline: view(); animation-range: entry 0% cover 60%; }`,
    expect: ['eased-scrub'],
  },
  {
    name: 'an easing as soft as most',
    css: `#card { animation: rise ease both; animation-timeline: view(); animation-range: entry 0% cover 60%; }`,
    near: ['eased-scrub', 'reversal'],
  },
  {
    name: 'soft at both ends',
    css: `#card { animation: come ease-in-out both; animation-timeline: view(); animation-range: entry 0% cover 80%; }`,
    near: ['eased-scrub', 'reversal'],
  },
  {
    name: 'an easing that swings past its end',
    css: `#card { animation: come cubic-bezier(0.4, 1.5, 0.6, 1) both; animation-timeline: view(); animation-range: entry 0% cover 60%; }`,
    expect: ['reversal'],
    may: ['eased-scrub'],
  },
  {
    name: 'one that draws back first',
    css: `#h-two { animation: come cubic-bezier(0.5, -0.5, 0.6, 1) both; animation-timeline: view(); animation-range: entry 0% cover 60%; }`,
    expect: ['reversal'],
    may: ['eased-scrub'],
  },
  {
    name: 'a row that springs',
    css: `.row .card { animation: come linear(0, 1.2 40%, 0.95 70%, 1) both; animation-timeline: view(); animation-range: entry 0% cover 60%; }`,
    expect: ['reversal'],
    may: ['eased-scrub', 'kink'],
  },
  {
    name: 'to and fro, as it is meant',
    css: `@keyframes sway { 0%, 100% { translate: 0 0; } 25% { translate: 40px 0; } 75% { translate: -40px 0; } } ${reveal('#card', 'cover 0% cover 100%', 'sway')}`,
    near: ['reversal'],
    may: ['kink'],
  },
];
