/**
 * How a hand writes Arabic letters, by the shape that a letter has where it stands alone (isolated), begins (initial), goes on
 * (medial) or ends (final) a run of joined letters. Letters that differ only in their dots share a body.
 *
 * A line is one form of a body: `body  position, name of the form  part ; part ; …`, told as Latin letters are, across from the
 * left. `above` and `below` are where dots and signs of the letter may stand. What joins comes in from the right and goes out to the
 * left along the line of writing. Where a hand goes up a tooth and comes back down, the way up and the way down are two parts.
 *
 * Sources: order and direction as school models of Naskh and of simple connected writing have them in common: along the line from
 * the right; heads of feh, qaf, waw and the loops of sad and tah with the clock; teeth, joined alef and joined lam up and down
 * again; stems of tah and the slanting arm of kaf after their body; dots and signs after the word. Written down from memory.
 */
export const ARABIC_BODIES = `
hamza  isolated  head and foot 72,90 40,98 22,76 46,58 85,66! 40,50 4,36
alef  isolated  stem 50,100 50,0 ; above 50,125 ; below 50,-25
alef  final  stem 100,0 50,3 18,14 10,100 ; above 10,125 ; below 40,-30
alef  final, slanted  stem 100,0 20,80 0,100 ; above 0,125 ; below 50,-30
beh  isolated  bowl 98,55 97,15 75,2 30,2 6,15 2,45 ; above 50,75 ; below 50,-35
beh  isolated, square  bowl 98,100 98,5! 20,2 4,20 2,70 ; above 50,120 ; below 50,-35
beh  initial  tooth 75,100 90,30 60,5 0,0 ; above 70,150 ; below 65,-50
beh  initial, square  tooth 100,100 100,3! 0,0 ; above 90,150 ; below 85,-50
beh  medial  way in 100,0 50,12 62,95 ; + way on 62,95! 46,12 0,8 ; above 60,150 ; below 55,-50
beh  medial, wave  way 100,20 60,70 30,48 0,12 ; above 55,150 ; below 50,-60
beh  final  way in 100,15 86,20 92,55 ; + bowl 92,55! 82,20 50,2 15,10 0,60 ; above 50,90 ; below 50,-40
beh  final, square  way in 100,5 84,5 84,95 ; + bowl 84,95! 84,5 20,3 4,20 2,75 ; above 50,120 ; below 45,-40
noon  isolated  bowl 94,75 98,35 70,2 30,0 4,20 2,55 ; above 48,95
noon  final  way in 100,45 90,45 92,85 ; + bowl 92,85! 94,30 65,2 28,0 4,20 2,55 ; above 48,100
hah  isolated  head 4,92 25,98 55,88 85,98 ; + bowl 85,98! 50,86 10,60 8,30 40,5 95,12 ; above 40,125 ; below 45,48
hah  isolated, square  way 10,100 60,98 92,80 92,42! 50,40 20,30 8,5 60,0 ; above 50,125 ; below 45,20
hah  initial  head 10,92 35,97 75,52 100,75 ; + way on 100,75! 72,42 40,18 0,12 ; above 45,140 ; below 55,-35
hah  initial, square  head and way on 10,98 55,96 98,70 98,2! 0,0 ; above 55,130 ; below 60,-35
hah  medial  way in 100,5 70,45 35,95 8,88 ; + way on 85,72 60,40 30,22 0,18 ; above 40,140 ; below 50,-30
hah  medial, from above  way in 100,8 88,12 78,60 ; + head 78,62 62,66 30,95 5,88 ; + way on 100,98 60,66 30,45 0,30 ; above 40,140 ; below 50,-10
hah  medial, from its head  head 8,92 45,88 100,72 ; + way on 100,72! 60,45 30,20 0,8 ; above 40,140 ; below 50,-30
hah  medial, square  way in 100,0 64,2! 62,60 45,96 8,98 ; + way on 62,60! 62,2 0,0 ; above 40,130 ; below 50,-35
hah  final  way in 100,60 70,65 40,93 8,88 ; + bowl 85,88 50,70 12,45 10,20 40,2 82,10 ; above 40,120 ; below 45,40
hah  final, from above  way in 100,72 80,72 72,90 ; + head 72,90 60,88 25,98 5,90 ; + bowl 85,98! 60,88 12,60 8,30 40,4 85,8 ; above 40,120 ; below 45,45
hah  final, square  way in 100,42 66,42! 66,60 50,95 8,95 ; + bowl 66,60! 66,42! 30,40 8,20 20,2 60,2 ; above 40,120 ; below 40,20
dal  isolated  way 45,100 80,60 98,25 70,5 0,8 ; above 45,130
dal  isolated, square  way 12,100 70,92 98,55 98,3! 0,3 ; above 50,130
dal  final  way in 100,2 78,20 68,60 60,100 ; + way on 60,100! 68,30 40,8 10,8 0,25 ; above 60,130
dal  final, square  way in 100,0 68,2! 66,60 45,95 5,100 ; + way on 66,60! 68,4! 0,2 ; above 40,130
reh  isolated  way 75,100 95,60 60,15 0,2 ; above 75,130
reh  isolated, straight  way 98,100 98,35 80,8 0,0 ; above 90,125
reh  final  way in 100,48 76,52 72,100 ; + tail 72,100! 78,45 50,14 0,2 ; above 72,130
seen  isolated  tooth 98,75 95,28 78,25 74,62 ; + tooth 74,62! 70,25 52,28 50,60 ; + bowl 50,60! 48,-10 30,-38 8,-28 2,10 ; above 72,100
seen  initial  tooth 98,100 96,20 68,10 66,75 ; + tooth 66,75! 64,12 32,10 30,75 ; + way on 30,75! 28,12 0,8 ; above 62,150
seen  medial  way in 100,15 88,15 86,95 ; + tooth 86,95! 84,12 56,12 56,90 ; + tooth 56,90! 54,12 22,12 22,85 ; + way on 22,85! 20,12 0,10 ; above 55,150
seen  final  way in 100,30 90,28 88,70 ; + tooth 88,70! 86,28 70,28 68,62 ; + tooth 68,62! 66,26 50,28 48,60 ; + bowl 48,60! 46,-10 28,-38 8,-28 2,10 ; above 68,110
sad  isolated  loop 50,34 70,68 88,80 98,58 88,38 50,32 ; + tooth 49,34 48,58 ; + bowl 48,58! 48,20 44,-15 28,-38 8,-28 2,10 ; above 78,115
sad  initial  loop 28,20 55,72 80,95 99,65 80,30 28,20 ; + tooth 26,22 26,62 ; + way on 26,62! 24,22 0,12 ; above 65,140
sad  initial, crossed  tail and loop 28,0 36,46 75,85 100,98 92,55 40,44 ; + tooth 36,44 14,72 ; + way on 14,72! 0,40 ; above 65,140
sad  medial  way in and loop 100,8 80,14 26,20! 50,70 72,92 88,60 82,16 ; + tooth 25,22 26,65 ; + way on 26,65! 22,22 0,14 ; above 60,140
sad  medial, square  way in and loop 100,8 84,9 28,9! 28,52 60,82 84,60 84,10 ; + tooth 28,54 28,98 ; + way on 28,98! 27,12 0,6 ; above 60,140
sad  final  way in and loop 100,32 88,34 52,32! 66,68 84,82 96,60 90,36 ; + tooth 50,34 48,58 ; + bowl 48,58! 48,10 30,-38 8,-28 2,10 ; above 75,115
sad  final, square  way in and loop 100,22 84,23 48,23! 48,48 68,70 84,55 84,24 ; + tooth 48,50 48,80 ; + bowl 48,80! 47,10 36,-18 10,-14 2,20 ; above 75,115
tah  isolated  loop 28,12 55,46 80,58 98,40 85,14 50,6 0,10 ; stem 25,100 30,12 ; above 65,85
tah  initial  loop 28,12 55,46 80,58 98,40 85,14 50,6 0,5 ; stem 25,100 30,12 ; above 65,85
tah  medial  way in and loop 100,3 80,6 30,8! 50,45 72,58 88,38 84,8 ; + way on 30,8! 0,5 ; stem 25,100 30,12 ; above 60,85
tah  medial, square  way in and loop 100,3 84,4 22,4! 22,40 60,62 84,40 84,5 ; + way on 22,5! 0,3 ; stem 22,100 22,42 ; above 60,85
tah  final  way in and loop 100,3 80,6 30,8! 50,45 72,58 88,38 84,8 ; + way on 30,8! 0,10 ; stem 25,100 30,12 ; above 60,85
ain  isolated  head 60,92 35,98 22,84 40,70 72,82 ; + bowl 72,82! 40,68 8,45 8,20 40,2 95,10 ; above 40,125
ain  initial  head 76,95 40,98 18,65 30,22 98,38 ; + way on 98,38! 40,15 0,8 ; above 45,135
ain  initial, square  head 80,95 30,85 15,50 40,5 ; + way on 100,3 0,2 ; above 45,130
ain  medial  way 100,5 62,28 16,82! 55,97 88,82! 50,30 0,8 ; above 52,140
ain  final  way 80,50 50,54 18,78 45,98 72,88 50,58 12,36 14,12 45,0 95,12 ; above 45,125
feh  isolated  head and bowl 92,40 74,38 66,55 80,72 94,58 97,35 90,12 55,3 15,8 2,40 ; above 80,110
feh  initial  head and way on 92,45 40,45 22,70 50,98 85,85 98,45 90,12 50,4 0,0 ; above 55,135
feh  medial  way in and head 100,4 70,6 30,8! 18,55 48,98 78,60 68,8 ; + way on 30,8! 0,4 ; above 48,140
feh  final  way in and head 100,8 88,10 72,12! 68,40 82,70 96,45 90,10 ; + bowl 72,10! 40,3 12,8 2,40 ; above 80,110
qaf  isolated  head and bowl 92,36 60,32 42,52 62,80 88,62 95,20 75,-15 35,-18 6,-5 2,30 ; above 62,115
qaf  final  way in 100,36 92,36 ; + head and bowl 92,36 60,33 44,54 62,82 88,60 92,20 72,-15 32,-18 6,-5 2,30 ; above 62,120
kaf  isolated  stem and foot 88,100 92,8! 50,4 10,4 2,20 ; • sign 50,70 32,58 50,50 30,36 ; above 60,125
kaf  initial  arm and way on 98,100 30,68 22,58! 75,30 80,8 0,3 ; above 60,125
kaf  initial, square  arm and way on 40,100 20,62 22,58! 80,50 98,30 98,3! 0,3 ; above 60,125
kaf  medial  way in 100,2 74,8 60,28 18,60 ; + way on 74,8! 40,3 0,3 ; arm 92,100 18,62 ; above 60,125
kaf  medial, square  way in 100,0 68,3! 66,30 50,52 10,60 ; + way on 68,3! 0,3 ; arm 34,100 10,60 ; above 50,125
kaf  final  way in 100,2 86,10 84,100 ; + way on 84,100! 82,8 40,2 8,4 2,25 ; • sign 50,70 32,58 50,50 30,36 ; above 50,125
keheh  isolated  arm and foot 98,100 30,68 24,58! 72,30 78,8 40,2 8,4 2,28 ; above 60,125
keheh  final  way in 100,2 82,8 66,30 26,58 ; + foot 82,8! 40,2 8,4 2,28 ; arm 96,100 26,60 ; above 60,125
lam  isolated  way 90,100 94,15 70,-5 30,-8 6,5 2,35 ; above 90,125
lam  initial  stem 75,100 88,20 70,4 0,0 ; above 75,125
lam  initial, square  stem 98,100 98,3! 0,0 ; above 90,125
lam  medial  way in 100,2 55,5 50,100 ; + way on 50,100! 48,5 0,2 ; above 50,125
lam  final  way in 100,25 86,28 84,100 ; + way on 84,100! 86,15 65,-6 28,-8 6,5 2,35 ; above 84,125
meem  isolated  head and tail 14,48 20,92 66,98 96,62 90,47 30,48 12,40 6,0 ; above 50,125
meem  isolated, open  head and tail 12,72 30,98 60,95 95,68 55,58 12,52 4,0 ; above 50,125
meem  initial  head and way on 30,20 45,70 66,98 92,60 98,8! 60,12 28,18 0,4 ; above 60,130
meem  initial, high  head 60,52 98,98 100,35! 60,50 ; + way on 60,50! 25,25 0,0 ; above 80,130
meem  medial  way in and head 100,5 75,8 28,15! 42,70 58,98 80,60 92,8 ; + way on 28,15! 0,2 ; above 55,130
meem  medial, hanging  way in and head 100,25 62,62 20,58! 45,95 62,64 ; + way on 20,58! 0,40 ; above 45,130
meem  final  way in and head 100,50 50,58 26,80! 60,100 85,75 94,52 ; + tail 26,80! 12,60 8,0 ; above 55,125
meem  final, square  way in and head 100,47 85,47 16,46! 20,92 60,98 82,75 84,47 ; + tail 16,46! 8,0 ; above 50,125
meem  final, hanging  way 100,88 62,86 24,82 12,66 8,0 ; above 50,125
heh  isolated  ring 55,100 20,70 2,30 25,3 70,3 98,30 85,70 55,100 ; above 52,130
heh  isolated, square  ring 97,3 97,50 82,92 50,98 16,90 3,50 3,3! 97,3 ; above 50,130
heh  isolated, knotted  way 55,98 80,70 95,30 88,8! 50,18 28,32 32,70 55,96 62,60 52,20 0,10 ; above 50,130
heh  initial  way 48,95 80,70 95,30 88,5! 40,15 26,50 48,94 58,55 48,18 0,5 ; above 50,130
heh  initial, square  way 10,90 50,98 90,75 97,35 97,3! 0,3 ; loop 34,5 40,40 58,42 66,5 ; above 50,130
heh  medial  way in 100,45 55,45 60,75 50,98 30,70 38,46 ; + lower loop 38,44 20,20 40,2 66,18 52,44 ; + way on 38,44! 0,42 ; above 50,130
heh  final  way in 100,2 72,10 62,40 58,100 ; + loop 58,92! 20,55 6,30 20,8 62,28 ; above 50,130
heh  final, square  way in 100,3 72,4 70,98 ; + loop 70,98! 20,95 4,50 15,5 70,3 ; above 45,130
waw  isolated  head and tail 92,52 55,48 38,68 58,98 85,85 95,50 70,12 0,2 ; above 60,125
waw  final  way in 100,52 88,50 ; + head and tail 88,50 55,48 38,70 58,98 84,82 92,45 65,10 0,2 ; above 60,125
yeh  isolated  way 85,98 55,90 48,68 90,52 95,25 60,0 20,5 2,50 ; above 60,125 ; above 15,110 ; below 45,-30
yeh  final  way 100,88 62,88 70,72 94,60 80,38 30,30 5,55 2,95 ; above 60,120 ; above 10,135 ; below 45,-5
lam alef  isolated  lam 98,100 60,40 30,4 8,8 50,40 ; alef 10,98 40,40 70,4 ; above 20,125 ; below 50,-25
lam alef  isolated, square  lam 90,100 92,20 60,2 5,2 ; alef 5,98 45,45 62,2 ; above 10,125 ; below 50,-25
lam alef  final  way in 100,5 75,8 72,100 ; + way on 72,100! 70,12 40,2 5,3 ; alef 5,98 30,50 40,5 ; above 10,125 ; below 50,-25
tatweel  isolated  way 100,50 0,50
`;

/**
 * Letters by their body, the dots or other sign written with it and where that stands, and the positions for which a line holds
 * where it does not for all.
 */
export const ARABIC_LETTERS = `
ء  hamza
ا  alef
ٱ  alef
ب  beh  1 below
ت  beh  2 above
ث  beh  3 above
پ  beh  3 below
ٹ  beh  1 above
ن  noon  1 above  isolated, final
ن  beh  1 above  initial, medial
ں  noon  none  isolated, final
ج  hah  1 below
چ  hah  3 below
ح  hah
خ  hah  1 above
د  dal
ذ  dal  1 above
ڈ  dal  1 above
ر  reh
ز  reh  1 above
ژ  reh  3 above
ڑ  reh  1 above
س  seen
ش  seen  3 above
ص  sad
ض  sad  1 above
ط  tah
ظ  tah  1 above
ع  ain
غ  ain  1 above
ف  feh  1 above
ڤ  feh  3 above
ق  qaf  2 above  isolated, final
ق  feh  2 above  initial, medial
ك  kaf
ک  keheh  none  isolated, final
ک  kaf  none  initial, medial
گ  keheh  bar above  isolated, final
گ  kaf  bar above  initial, medial
ل  lam
م  meem
ه  heh
ہ  heh
ة  heh  2 above
و  waw
ى  yeh  none  isolated, final
ى  beh  none  initial, medial
ي  yeh  2 below  isolated, final
ي  beh  2 below  initial, medial
ی  yeh  none  isolated, final
ی  beh  2 below  initial, medial
ئ  yeh  hamza above  isolated, final
ئ  beh  hamza above  initial, medial
لا  lam alef
لأ  lam alef  hamza above
لإ  lam alef  hamza below
لآ  lam alef  madda above
ـ  tatweel
`;

/** Dots and signs round the place where they stand: across and up from it, in the measures of the bodies. */
export const ARABIC_SIGNS = `
1  dot  • dot 0,0 -2,0
2  two dots  • right dot 16,0 14,0 ; • left dot -16,0 -18,0
2  two dots in one  • dots 20,0 -20,0
3  three dots  • right dot 16,0 14,0 ; • left dot -16,0 -18,0 ; • top dot 0,22 -2,22
bar  bar  • bar 35,25 -35,-10
hamza  hamza  • hamza 16,20 -4,26 -16,12 0,2 18,8! -4,-6 -22,-16
madda  madda  • madda 35,5 15,-4 -10,8 -35,0
`;

/** Signs of vowels and the like, by their combining sign, round the place where they stand. */
export const ARABIC_VOWELS = `
\u064b  fathatan  • first stroke 25,24 -25,4 ; • second stroke 25,4 -25,-16
\u064c  dammatan  • damma 10,0 -10,6 4,18 12,4 -20,-20 ; • second 30,10 10,-20
\u064d  kasratan  • first stroke 25,16 -25,-4 ; • second stroke 25,-4 -25,-24
\u064e  fatha  • stroke 25,10 -25,-10
\u064f  damma  • damma 14,2 -8,4 2,20 14,8 -18,-20
\u0650  kasra  • stroke 25,10 -25,-10
\u0651  shadda  • teeth 26,20 20,-8 2,-4 0,16! -4,-10 -24,-6 -26,14
\u0652  sukun  • ring 2,16 -14,0 0,-16 14,0 2,16
\u0653  madda  • madda 35,5 15,-4 -10,8 -35,0
\u0654  hamza  • hamza 16,20 -4,26 -16,12 0,2 18,8! -4,-6 -22,-16
\u0655  hamza below  • hamza 16,20 -4,26 -16,12 0,2 18,8! -4,-6 -22,-16
\u0670  upright alef  • stroke 0,26 0,-20
`;

/** Figures and stops of Arabic writing; numbers run from the left, as everywhere. */
export const ARABIC_FIGURES = `
٠  dot  dot 50,50 52,50
١  stem  stem 40,100 60,0
٢  plain  way 95,100 60,74 14,98! 20,0
٣  plain  way 98,98 74,76 52,96! 32,76 8,98! 14,0
٤  plain  way 90,98 30,86 22,66 66,54! 20,40 12,18 84,4
٥  ring  ring 52,98 14,60 4,24 50,2 96,24 86,60 52,98
٦  plain  way 5,92 50,86 85,98! 92,0
٧  plain  way 0,100 50,0! 100,100
٨  plain  way 0,0 50,100! 100,0
٩  plain  ring and stem 88,62 50,48 10,70 48,98 88,74! 92,0
۴  plain  stem 15,98 15,0 ; arm 92,92 40,98 44,66 98,58
۵  heart  way 50,98 8,50 4,10 40,2 52,30! 64,2 96,12 92,50 50,98
۶  plain  way 85,96 30,90 20,62 70,60! 30,30 10,0
،  comma  comma 70,0 10,40 50,100
؛  semicolon  dot 40,0 42,0 ; comma 70,40 10,70 50,100
؟  question mark  way 98,100 40,98 5,70 55,45 55,25 ; dot 55,0 53,0
`;
