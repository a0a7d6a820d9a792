/**
 * How a hand writes Latin letters, figures and signs: the parts of each in their order, each from where it begins.
 *
 * A line is one form of a letter: `letter  name of the form  part ; part ; …`. A part is its name and places on its way,
 * across the letter from 0 to 100 and up from the line of writing (0) to the height of small letters (100; ascenders go to
 * 170, descenders to -70; capitals and figures stand from 0 to 100). The way bends smoothly through its places; `!` after one
 * is a corner. `+` before a part: a hand goes on to it without lifting the pen where letters are joined. `•` before a part: a
 * dot, bar or accent of a small letter, which may wait until the word is written; bars of capitals come with them. `~` before
 * the name of a form: a flourish, taken only where the letter is much more like it than like its plain forms.
 *
 * Sources: order and direction follow what the print and cursive models taught in schools have in common (ball and stick,
 * continuous print, looped cursive) and the ductus of the humanist minuscule and Roman capitals as handbooks of penmanship
 * give it. Written down from memory, not copied from one model; where models differ the commonest way is first.
 */
export const LATIN = `
a  round  bowl 95,82 60,100 18,88 0,50 15,12 50,0 80,15 95,40 ; + stem 97,100! 96,0
a  round, joined  bowl 72,86 48,100 14,82 0,42 14,5 40,6 64,38 ; + stem 75,98! 70,30 76,2 86,3 100,30
a  two storeys, footed  hook and stem 5,82 24,97 52,100 74,84 78,52 78,15 86,2 100,10 ; bowl 76,58 42,54 10,42 0,22 16,2 44,2 76,28
a  two storeys  hook and stem 5,82 25,97 60,100 88,84 92,55 92,0 ; bowl 91,58 50,54 12,42 0,22 20,2 50,2 91,30
b  round  stem 0,170! 0,0 ; + bowl 2,70 35,98 75,95 100,50 78,6 40,0 2,28
b  looped  loop 0,40 45,110 60,155 45,170 25,140 20,40 22,10 45,0 75,12 88,50 70,92! 100,88
b  curled  loop 12,40 48,120 42,166 22,160 12,100 8,30 24,2 46,4 58,30 46,54 32,44 34,34 ; + exit 58,20 76,12 100,36
b  looped, bowl back  stem 0,50 35,120 48,165 30,150 16,60 14,10 ; + bowl 16,45 45,88 80,85 95,50 75,8 40,0 14,15
c  plain  bowl 98,78 65,100 22,88 0,50 18,12 60,0 100,22
c  joined  bowl 70,82 50,98 16,84 0,42 18,5 50,0 100,35
d  round  bowl 94,80 60,100 20,88 0,50 15,10 50,0 80,15 95,40 ; + stem 98,170! 98,0
d  round, joined  bowl 70,82 46,100 12,80 0,40 12,4 38,6 62,38 ; + stem 84,170! 66,30 72,2 84,3 100,28
d  looped  bowl 62,62 36,64 6,44 0,22 14,0 40,14 64,60 ; + loop 64,60 88,130 84,166 70,140 62,60 66,16 80,2 100,32
e  plain  bar and bowl 4,50 95,50! 92,75 55,100 18,86 0,48 18,10 60,0 97,20
e  joined  loop 0,35 35,50 64,75 50,100 25,88 12,48 24,8 50,0 100,38
f  plain  stem 100,160 78,170 50,150 46,110 46,0 ; • bar 0,100 92,100
f  looped  stem 0,40 55,120 72,160 55,168 42,120 38,0 32,-60 ; + loop 32,-60 45,-68 55,-40 50,-5 100,30
f  joined  stem 92,158 72,170 52,140 42,60 32,-30 10,-68 0,-60 ; • bar 20,95 85,100
f  ~ tied  stem 8,170 12,110 4,20 4,-60 8,-66 ; + loop 8,-66 50,-60 72,-40 60,-20 21,20 0,32 ; + exit 4,52 50,64 100,70
g  one storey  bowl 95,82 60,100 20,88 0,50 15,12 50,2 80,15 95,40 ; + tail 97,100! 96,0 94,-35 70,-70 30,-70 4,-50
g  one storey, looped  bowl 60,85 40,100 14,82 2,50 14,14 40,14 56,40 ; + tail 60,98! 56,0 46,-55 24,-70 6,-50 20,-25 60,20 100,85
g  one storey, joined  bowl 72,85 48,100 16,82 4,45 16,8 40,6 62,38 ; + tail 74,98! 66,10 54,-45 30,-70 8,-55 20,-30 70,0 100,28
g  two storeys  bowl 66,96 38,100 10,84 8,62 35,42 68,52 76,78 66,96 ; link and loop 22,48 8,32 20,16 60,12 92,2 98,-28 70,-60 30,-62 2,-42 8,-14 30,4 ; ear 72,90 98,100
h  looped, without a way in  loop 10,40 40,120 30,168 16,140 12,60 12,0 ; + arch 14,25 45,80 66,50 66,10 80,8 100,40
h  arched  stem 0,170! 0,0 ; + arch 2,65 35,96 70,98 96,70 98,0
h  looped  stem 0,30 35,120 48,162 36,168 22,120 12,0 ; + arch 14,30 40,85 62,98 70,75 66,20 76,0 100,30
i  plain  stem 50,100 50,0 ; • dot 50,150 50,152
i  joined  stem 0,30 30,98! 24,30 36,0 100,35 ; • dot 45,150 45,152
j  plain  stem 70,100 70,-40 45,-70 0,-66 ; • dot 70,150 70,152
j  looped  stem 55,98 55,20 40,-60 12,-68 8,-45 55,15 100,80 ; • dot 50,150 50,152
j  joined  stem 20,30 60,98! 50,0 30,-60 8,-66 10,-40 60,0 100,30 ; • dot 70,150 70,152
k  plain  stem 0,170! 0,0 ; arm 92,100 4,38 ; + leg 34,60 100,0
k  plain, leg from the stem  stem 0,170! 0,0 ; arm 92,100 20,52! ; + leg 20,52 100,0
k  bow  stem 0,170 2,0 ; + bow 4,20 45,65 60,50 28,28! 50,5 75,8 100,35
k  looped  stem 0,30 35,120 48,162 36,168 22,120 12,0 ; + bow 14,40 45,92 68,85 60,55 30,46! 60,10 75,0 100,30
l  plain  stem 50,170 50,0
l  hooked  stem 0,170 0,25 25,0 100,5
l  looped, without a way in  stem 12,40 62,110 50,165 30,165 10,110 18,30 50,0 100,40
l  looped  stem 0,35 50,110 78,155 62,170 40,140 28,40 40,0 100,35
m  arched  stem 0,100! 0,0 ; + arch 2,68 22,98 42,95 50,70 50,0 ; + arch 52,68 72,98 92,95 99,70 99,0
m  joined  stem 0,60 12,95 20,80 16,0 ; + arch 17,40 35,92 48,85 46,0 ; + arch 47,40 66,92 78,85 76,20 84,0 100,30
n  arched  stem 0,100! 0,0 ; + arch 2,65 35,96 70,98 96,70 98,0
n  joined  stem 0,60 16,95 26,80 20,0 ; + arch 22,40 48,94 66,85 62,20 74,0 100,32
o  round  ring 68,97 45,100 12,84 0,50 12,15 48,0 86,15 100,50 88,84 68,97
o  looped  ring 50,96 14,80 0,42 20,4 48,8 62,40 60,80 44,100 34,80 50,50 75,52 100,84
o  joined  ring 60,92 40,100 12,82 0,42 16,4 45,2 72,40 66,82 48,100 ; + exit 50,96 70,82 100,88
p  round  stem 0,100! 0,-70 ; + bowl 2,70 35,98 75,95 100,50 78,6 40,0 2,28
p  looped  stem 34,98 24,0 6,-60 16,-70 32,-30 32,40 ; + bowl 32,40 48,84 66,80 68,50 56,24 44,34 ; + exit 60,30 80,34 100,70
p  joined  stem 0,60 20,100! 8,-70 ; + bowl 14,40 45,96 78,88 76,40 50,2 20,12 ; + exit 50,0 100,30
q  round  bowl 95,82 60,100 18,88 0,50 15,12 50,0 80,15 95,40 ; + stem 97,100! 97,-70
q  looped forward  bowl 55,88 36,100 10,82 0,50 14,18 36,26 50,56 ; + stem 52,98! 50,20 52,-30 66,-68 78,-55 70,-20 52,30 100,85
q  joined  bowl 66,85 44,100 12,82 0,45 12,8 36,6 58,38 ; + stem 70,98! 58,-60 ; + exit 60,-60 70,-20 100,30
r  plain  stem 0,100! 0,0 ; + arm 2,62 40,95 100,96
r  shouldered  stem 0,30 30,95 38,110! 48,88 78,84 ; + foot 78,84! 68,25 76,0 100,25
r  looped  stem 0,40 16,76 24,98 8,100 6,84 30,82 50,80 46,20 60,2 100,50
r  joined, plain  stem 0,40 22,95! 14,0 ; + arm 18,50 50,96 85,98 100,80
s  plain  way 94,82 55,100 14,88 10,66 50,52 90,36 92,14 50,0 4,16
s  joined, plain  up 0,20 20,98 ; + belly 20,98! 45,50 40,10 20,0 ; + exit 0,14 30,0 100,55
s  joined  way 0,10 50,100! 60,60 68,20 40,0 8,10 ; + exit 40,0 100,30
t  plain  stem 42,150! 42,25 58,2 100,6 ; • bar 0,100 96,100
t  looped  stem 38,40 46,110 40,148 30,130 26,50 36,6 55,4 100,40 ; • bar 0,126 100,126
t  joined  stem 0,40 50,150! 34,40 40,2 100,35 ; • bar 10,100 90,104
u  plain  cup 0,100 0,35 18,3 55,0 94,35 ; + stem 98,100! 98,0
u  plain, one way  cup 0,100 0,35 20,2 60,0 98,40 98,100
u  joined, without a way in  cup 10,98 0,40 14,4 40,20 56,70 ; + stem 58,98! 54,40 62,4 80,10 100,50
u  joined  cup 0,50 16,96! 12,30 26,2 50,20 70,90 ; + stem 72,98! 66,30 76,0 100,30
v  plain  way 0,100 50,0! 100,100
v  with an exit  way 0,98 20,20 32,8 50,50 58,98! 72,60 90,55 100,70
v  joined  way 0,60 20,96 34,80 36,20 50,0 76,50 70,96! 100,88
w  plain  way 0,100 26,0! 50,100! 74,0! 100,100
w  joined, without a way in  way 6,96 0,40 12,4 34,40 ; + way 38,94! 38,20 50,4 66,40 72,98! 80,60 100,66
w  joined  way 0,70 14,96 20,30 36,0 50,40 54,96! 60,20 70,0 86,50 82,96! 100,88
x  plain  first 0,100 100,0 ; second 100,100 0,0
x  joined  first 0,60 25,100 45,60 65,10 100,20 ; second 90,100 10,0
y  plain  arm 0,100 48,8 ; tail 100,100 48,0 28,-60 0,-68
y  round  cup 0,100 0,40 20,8 55,4 94,38 ; + tail 98,100! 97,0 88,-50 55,-72 5,-58
y  looped  cup 10,98 0,55 12,24 32,40 48,75 ; + tail 54,98! 50,0 30,-66 6,-68 4,-45 48,18 100,88
y  joined  cup 0,60 16,96! 14,40 28,6 52,35 ; + tail 70,98! 60,0 44,-60 16,-68 10,-45 60,0 100,28
z  plain  way 0,100 98,100! 0,0! 100,0
z  tailed  way 0,70 30,98 62,85 50,40 20,4! 55,0 60,-50 30,-70 10,-50 60,0 100,28
A  plain  left leg 50,100! 0,0 ; right leg 50,100! 100,0 ; bar 20,35 80,35
A  round  way 0,0 30,60 60,100! 72,40 80,0 ; bar 20,40 85,40
A  with a curl  way 2,22 0,5 25,4 48,50 66,100! 66,2 ; bar 12,60 14,42 40,36 100,42
B  plain  stem 0,100! 0,0 ; + bowls 0,100! 60,99 84,76 58,54 4,52! 62,50 100,26 68,1 0,0
B  ~ curled, one way  way 81,97 70,75 58,45 51,20 38,3 24,0 6,8 1,25 10,60 34,85 65,95 88,90 98,75 92,55 78,46 62,44! 85,42 98,20 91,5 70,0 55,5
B  ~ curled  stem 76,98 60,60 40,12 20,-2 4,2 0,10 ; bowls 40,58 20,46 8,60 14,85 40,96 75,98 96,75 80,55 60,50! 92,40 97,20 75,-2 40,8 14,18 0,10
C  plain  bowl 97,82 60,100 20,88 0,50 20,12 60,0 98,18
D  plain  stem 0,100! 0,0 ; + bowl 0,100! 50,98 92,76 100,50 92,24 50,2 0,0
D  ~ curled  stem 32,88 27,40 26,0 ; bowl 7,65 8,88 42,98 80,84 98,50 84,4 56,-6 26,0
D  ~ curled, footed  stem 60,76 48,70 40,20 34,-6 25,8 23,30 ; bowl 18,39 0,61 10,83 29,94 51,97 76,91 97,64 99,34 89,11 71,-1 47,2 24,22
D  ~ curled, one way  way 60,92 52,60 43,35 26,5 8,3 2,14 12,18 34,12 66,0 92,15 99,45 92,70 70,88 40,94 15,88 6,70 18,44
E  plain  stem 0,100! 0,0 ; top 0,100! 100,100 ; middle 2,52 88,52 ; foot 0,0! 100,0
E  round  way 92,86 50,100 12,82 40,54! 4,28 30,0 96,14
F  plain  stem 0,100! 0,0 ; top 0,100! 100,100 ; middle 2,50 85,50
F  ~ curled  stem 55,98 45,40 36,0 ; bar 4,62 0,84 14,98 55,98 100,97 ; middle 5,48 75,50
F  ~ curled, hooked  stem 55,98 54,50 44,12 22,0 0,16 ; bar 12,62 10,84 24,98 60,98 100,92 ; middle 30,46 78,46
F  ~ curled, footed  stem 70,82 54,78 46,44 38,4! 48,16 ; bar 10,50 2,74 20,92 60,97 100,94! 92,72 ; middle 36,44 78,46
F  ~ swung  stem 80,96 66,66 50,22 24,2 2,14 10,42 ; bar 44,60 26,70 22,90 44,100 70,88 100,86 ; middle 40,42 74,48
F  ~ bar first  bar and stem 6,52 0,75 14,92 45,84 74,75 96,84 96,98 82,94 74,82 71,50 62,12 45,0 28,4 16,26 ; middle 48,45 88,46
F  ~ as a 7  bar and stem 40,76 16,72 6,90 40,100 92,94 98,82 80,56 64,40 48,0 ; middle 4,44 96,52
G  plain  bowl 95,84 58,100 18,86 0,50 18,12 58,0 90,10 ; bar 56,44 98,44! 98,0
G  spur  bowl 95,84 58,100 18,86 0,50 18,12 58,0 96,18 ; bar 56,44 98,44 ; stem 98,44! 98,0
H  plain  left stem 0,100! 0,0 ; right stem 100,100! 100,0 ; bar 2,52 98,52
H  ~ curled  left stem 16,48 8,70 22,86 50,80 66,90 60,100 54,86 52,50 44,14 24,2 2,14 ; right stem 98,96 88,80 88,40 94,2 ; bar 38,42 100,44
H  ~ curled, bar through  left stem 40,70! 58,84! 56,92 50,50 40,14 6,0 2,10 ; right stem 98,96 88,84 80,48 78,16 84,10 98,34 ; bar 22,34 20,50 40,54 80,46 96,56
I  plain  stem 50,100 50,0
I  with feet  stem 50,100 50,0 ; top 0,100 100,100 ; foot 0,0 100,0
J  plain  stem 90,100 90,25 60,0 20,2 0,24
J  with a bar  stem 70,100 70,20 45,0 10,6 0,20 ; bar 30,100 100,100
K  plain  stem 0,100! 0,0 ; arm 92,100 2,36 ; + leg 36,58 100,0
K  ~ curled  stem 4,60 2,75 10,88 30,91 40,89! 36,50 32,18 22,5 6,10 0,19 ; arm 81,92 72,65 56,50 36,44 ; + leg 44,45 58,36 68,15 82,6 100,22
K  ~ curled, leg from the stem  stem 26,56 12,48 8,70 24,88 52,92 60,96! 50,60 36,16 18,2 2,14 0,30 ; arm 98,98 82,74 50,52 ; + leg 50,52! 62,20 74,2 92,14
L  plain  stem and foot 0,100 0,0! 100,0
L  looped  way 60,70 85,100 60,90 50,30 20,0 10,10 40,8 100,4
M  ~ curled, arched  curl and stem 20,54 26,48 25,28 15,17 5,28 2,60 8,86 20,97 31,84 36,50 33,-5 ; + arch 34,10 40,57 51,90 61,84 62,60 60,0 ; + arch 61,12 68,57 78,88 87,82 88,55 88,12 94,-8 100,-10
M  plain  left stem 0,100! 0,0 ; + first slant 0,100! 50,5 ; + second slant 50,5! 100,100 ; + right stem 100,100! 100,0
M  with a curl  way 30,48 4,46 2,12 24,6 42,60 46,96! 58,4! 84,98! 76,30 100,2
N  with a curl  way 24,46 2,40 2,10 22,4 40,60 46,98! 66,2! 74,70 100,98
N  ~ curled, arched  curl and stem 26,54 35,48 34,28 20,17 6,28 2,60 10,86 26,97 42,84 48,50 46,-5 ; + arch 47,10 53,57 67,90 80,84 82,60 81,17 90,-10 100,-14
N  plain  left stem 0,100! 0,0 ; + slant 0,100! 100,0 ; right stem 100,100! 100,0
O  plain  ring 62,98 40,99 10,80 0,50 10,18 50,0 90,18 100,50 90,80 62,98
P  plain  stem 0,100! 0,0 ; + bowl 0,100! 60,99 98,74 62,48 2,46
P  ~ curled, footed  stem 60,80 46,74 40,44 30,4! 42,16 ; bowl 14,52 2,72 22,92 60,98 94,86 96,66 70,50 34,46
Q  plain  ring 62,98 40,99 10,80 0,50 10,18 50,0 90,18 100,50 90,80 62,98 ; tail 56,24 100,-8
Q  tail from the ring  ring 62,98 40,99 10,80 0,50 10,18 50,0 90,18 100,50 90,80 62,98 ; tail 55,2 70,-15 100,-28
Q  long tail  ring 40,98 24,99 6,80 0,50 6,18 32,0 58,18 66,50 58,80 40,98 ; tail 38,0 60,-15 100,-30
Q  ~ as a 2  way 18,12 2,40 2,70 18,93 48,97 72,70 76,38 68,10 48,-7 34,-3 32,9 44,8 68,-5 100,-6
Q  ~ as a 2, wide below  way 24,27 8,45 3,66 14,90 39,100 66,90 75,65 68,40 50,20 22,12 0,18 12,34 34,28 50,20 70,6 100,4
R  plain  stem 0,100! 0,0 ; + bowl 0,100! 58,99 92,74 60,50 2,48 ; + leg 48,50 100,0
R  ~ curled  stem 56,97 52,69 48,29 33,-2 14,4 12,16 25,17 ; bowl 27,59 18,43 0,62 6,83 23,92 50,95 83,76 73,54 52,49 ; + leg 52,49 66,25 83,0 94,0 100,23
R  ~ curled, footed  stem 52,80 40,74 36,46 28,4! 36,14 ; bowl 10,52 2,72 18,92 50,98 82,88 84,66 60,50 34,48 ; + leg 36,48 60,22 78,2 94,0 100,26
R  ~ curled, one way  way 45,80 38,30 30,8 12,4 2,35 12,75 40,97 75,95 88,75 70,52 30,45! ; + leg 50,47 65,22 82,6 100,22
S  plain  way 92,84 52,100 12,86 12,64 50,50 92,34 90,12 48,0 3,18
T  plain  stem 50,100! 50,0 ; bar 0,100 100,100
T  ~ swung  stem 80,98 66,66 46,20 24,0 2,16 10,56 ; bar 46,64 30,60 24,80 40,100 66,92 100,86
U  plain  cup 0,100 0,32 20,3 50,0 80,3 100,32 100,100
U  ~ curled  cup 25,60 41,38 25,20 2,48 3,82 19,102 46,97 55,61 55,25 68,-2 78,10 83,31 ; + stem 86,60! 83,31 87,8 95,-6 100,-8
V  plain  way 0,100 50,0! 100,100
W  plain  way 0,100 26,0! 50,95! 74,0! 100,100
X  plain  first 0,100 100,0 ; second 100,100 0,0
Y  plain  left arm 0,100 50,48 ; right arm 100,100 50,48 ; stem 50,48! 50,0
Y  tailed  left arm 0,100 46,40 ; right arm 100,100 46,40 20,0
Y  ~ curled, looped  cup 15,31 1,49 2,74 17,91 36,89 44,65 40,35 40,12 52,-1 70,13 80,38 86,65 ; + tail 88,80! 84,40 84,-4 83,-40 72,-54 62,-42 66,-20 84,-4 100,4
Y  ~ curled, swung  cup 36,52 44,40 28,28 2,56 8,90 44,100 56,80 46,40 52,24 74,34 88,60 ; + tail 90,70! 78,30 52,-4 20,-10 16,6 60,12 100,16
Z  plain  way 0,100 98,100! 0,0! 100,0
0  plain  ring 62,98 40,99 10,80 0,50 10,18 50,0 90,18 100,50 90,80 62,98
1  plain  flag and stem 0,78 60,100! 60,0
1  with a foot  flag and stem 0,80 50,100! 50,0 ; foot 5,0 95,0
2  plain  way 4,78 45,100 90,82 84,56 0,0! 100,0
3  plain  way 4,86 48,100 88,78 42,54! 96,28 52,0 0,16
3  flat  way 4,100 92,100! 42,60! 96,30 52,0 0,16
4  open  slant and bar 64,100 0,28! 100,28 ; stem 74,100! 74,0
4  closed  slant and bar 74,100! 0,28! 100,28 ; stem 74,100! 74,0
5  plain  body 14,100! 8,56! 55,64 98,34 55,0 0,12 ; top 14,100! 92,100
6  plain  way 84,98 30,78 0,34 18,6 55,0 96,30 60,60 8,40
7  plain  way 0,100 98,100! 28,0
8  plain  way 86,84 50,100 12,78 45,54 96,24 50,0 4,24 52,54 88,78 86,84
9  plain  bowl 94,72 50,100 4,70 42,40 92,66 ; + stem 96,72! 80,22 20,0
9  one way  way 94,66 50,100 4,70 42,40 90,58 98,72! 86,30 50,0 10,4
.  dot  dot 50,0 52,0
,  comma  comma 60,20 60,0 20,-30
:  dots  dot 50,100 52,100 ; dot 50,0 52,0
;  dot and comma  dot 60,100 62,100 ; comma 60,20 60,0 20,-30
!  plain  stem 50,150 50,40 ; dot 50,0 52,0
?  plain  way 0,118 50,150 98,118 55,72 50,40 ; dot 50,0 52,0
-  hyphen  bar 0,50 100,50
–  dash  bar 0,50 100,50
—  dash  bar 0,50 100,50
_  line  bar 0,0 100,0
'  tick  tick 50,150 50,110
’  tick  tick 60,150 60,130 30,105
"  ticks  tick 20,150 20,110 ; tick 80,150 80,110
(  bracket  way 100,170 0,50 100,-60
)  bracket  way 0,170 100,50 0,-60
/  slant  way 100,170 0,-20
+  plus  stem 50,100 50,0 ; bar 0,50 100,50
=  bars  bar 0,70 100,70 ; bar 0,30 100,30
&  plain  way 100,0 20,76 40,100 62,78 0,30 30,0 70,10 98,46
æ  plain  first 5,82 30,98 48,80 48,20 ; bowl 47,55 12,45 0,22 20,0 46,25 ; bar and bowl 48,50 97,52! 92,78 70,100 52,70 52,20 75,0 98,18
œ  plain  ring 40,97 20,96 0,50 20,4 46,25 50,60 40,97 ; bar and bowl 50,50 97,52! 92,78 72,100 54,75 52,25 75,0 98,18
ß  plain  stem and bowls 0,0 0,120 30,168 66,150 64,110 40,90! 90,70 98,30 70,0 35,8
ø  plain  ring 68,97 45,100 12,84 0,50 12,15 48,0 86,15 100,50 88,84 68,97 ; slant 100,110 0,-10
Ø  plain  ring 62,98 40,99 10,80 0,50 10,18 50,0 90,18 100,50 90,80 62,98 ; slant 100,108 0,-8
ı  plain  stem 50,100 50,0
`;

/** Accents over and under letters, by their combining sign: how each is written, across a letter from 0 to 100. */
export const ACCENTS = `
\u0300  grave  • accent 30,175 60,135
\u0301  acute  • accent 70,175 40,135
\u0302  circumflex  • accent 20,135 50,175! 80,135
\u0303  tilde  • accent 15,140 35,165 65,145 85,170
\u0304  macron  • accent 20,150 80,150
\u0306  breve  • accent 20,170 50,138 80,170
\u0307  dot above  • accent 50,150 50,152
\u0308  two dots  • first dot 30,150 30,152 ; • second dot 70,150 70,152
\u030a  ring above  • accent 50,175 32,155 50,135 68,155 50,175
\u030b  double acute  • accent 45,175 25,135 ; • accent 85,175 65,135
\u030c  caron  • accent 20,175 50,135! 80,175
\u0323  dot below  • accent 50,-40 50,-42
\u0326  comma below  • accent 55,-25 40,-60
\u0327  cedilla  • accent 55,0 65,-30 40,-55 25,-45
\u0328  ogonek  • accent 80,0 60,-30 75,-50 95,-45
`;
