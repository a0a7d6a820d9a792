/**
 * How a hand writes Devanagari: the parts of a letter from the left, its stem after what hangs on it, and the head-line when the
 * word is written. A line is one letter or sign, told as Latin letters are: up from the foot of the stems (0) to the head-line (100).
 * `‾` before a part: a stretch of the head-line; letters without one of their own have one across all of them. `•`: what stands
 * over the head-line, and dots. `stem` is the upright that a letter loses where it is joined with the next.
 *
 * Source: order and direction as primers of Devanagari teach them, written down from memory.
 */
export const DEVANAGARI = `
अ  plain  body 5,90 25,98 40,80 22,62! 48,45 42,12 18,5 2,25 ; bar 40,52 80,52 ; stem 82,100 82,0 ; ‾ head-line 62,100 100,100
आ  plain  body 4,90 18,98 28,80 16,62! 34,45 30,12 12,5 1,25 ; bar 28,52 58,52 ; stem 58,100 58,0 ; second stem 84,100 84,0 ; ‾ head-line 42,100 100,100
इ  plain  body 65,100 63,78 35,78 22,62 40,52 70,42 72,15 50,3 25,12! 25,-15
ई  plain  body 65,100 63,78 35,78 22,62 40,52 70,42 72,15 50,3 25,12! 25,-15 ; • hook 65,100 45,125 80,130
उ  plain  body 58,100 68,82 52,60 35,56! 62,52 75,30 58,5 25,2 5,14
ऊ  plain  body 42,100 50,82 38,60 25,56! 45,52 54,30 42,5 18,2 4,14 ; hook 52,48 75,62 92,45 78,25
ए  plain  stem and foot 32,100 34,35 55,10 92,15 ; hook 80,100 78,72 55,56
ऐ  plain  stem and foot 32,100 34,35 55,10 92,15 ; hook 80,100 78,72 55,56 ; • matra 28,145 65,128 78,100
ओ  plain  body 4,90 18,98 28,80 16,62! 34,45 30,12 12,5 1,25 ; bar 28,52 58,52 ; stem 58,100 58,0 ; second stem 84,100 84,0 ; • matra 55,145 75,130 84,100 ; ‾ head-line 42,100 100,100
औ  plain  body 4,90 18,98 28,80 16,62! 34,45 30,12 12,5 1,25 ; bar 28,52 58,52 ; stem 58,100 58,0 ; second stem 84,100 84,0 ; • matra 55,150 75,135 84,100 ; • second matra 50,125 70,115 84,100 ; ‾ head-line 42,100 100,100
क  plain  loop 45,72 22,82 5,58 20,38 48,58 ; stem 50,100 50,0 ; hook 50,60 72,78 92,60 88,38
ख  plain  left 38,100 36,78 12,62! 42,15 ; loop 70,72 50,68 48,45 65,35 85,50 ; stem 85,100 85,0
ग  plain  left 32,100 32,55 25,40 8,45 ; stem 75,100 75,0
घ  plain  body 28,100 22,82 38,70 52,68! 22,52 25,28 52,25 80,45 ; stem 80,100 80,0
ङ  plain  body 60,100 60,75 30,75 22,58 45,50 65,42 70,18 45,5 15,10 ; • dot 92,62 94,62
च  plain  bar 5,70 55,70 ; bowl 32,70 22,50 35,28 60,32 78,45 ; stem 78,100 78,0
छ  plain  body 38,100 25,78 48,58 25,45 35,22 65,20 92,50 78,100 ; bar 60,76 82,78
ज  plain  bar and hook 78,70 38,70! 52,50 35,30 10,42 ; stem 78,100 78,0
झ  plain  body 50,100 48,80 22,75 18,62 40,58! 60,55 55,30 35,22 20,40! 18,15 ; bar 50,56 80,56 ; stem 80,100 80,0
ञ  plain  hook 25,78 55,68 60,50 35,30 8,48 ; bar 58,54 80,54 ; stem 78,100 78,0
ट  plain  body 72,100 72,75 45,75 22,50 25,15 60,3 92,20
ठ  plain  stem 52,100 52,70 ; ring 52,70 15,52 5,30 20,5 50,-2 85,8 95,35 82,60 52,70
ड  plain  body 62,100 62,75 35,75 22,60 45,50 70,40 72,15 45,3 15,12
ढ  plain  body 62,100 62,75 35,75 15,50 15,15 50,0 85,15 80,45 55,40
ण  plain  cup 15,100 15,50 28,35 45,50 45,100 ; stem 80,100 80,0
त  plain  bowl 75,65 40,62 30,35 55,5 ; stem 78,100 78,0
थ  plain  body 18,78 30,98 48,85 35,62 5,52! 20,18 50,15 75,42 ; stem 75,100 75,0 ; ‾ head-line 75,100 100,100
द  plain  body 75,100 72,76 40,75 15,50 30,20 55,18 74,42 ; tail 74,52 74,0
ध  plain  body 32,100 22,82 50,62! 22,48 25,22 52,18 80,48 ; stem 80,100 80,0 ; ‾ first head-line 0,100 48,100 ; ‾ head-line 80,100 100,100
न  plain  bar 20,45 20,62 75,60 ; stem 75,100 75,0
प  plain  cup 22,100 22,58 38,42 74,52 ; stem 75,100 75,0
फ  plain  cup 18,100 18,70 30,50 50,60 ; stem 52,100 52,0 ; hook 52,75 75,85 92,65 80,40
ब  plain  bowl 55,72 30,80 12,60 20,35 50,28 80,45 ; slash 30,72 72,35 ; stem 80,100 80,0
भ  plain  left 8,95 30,100 35,60 30,25 ; bar 30,55 78,55 ; stem 78,100 78,0 ; ‾ head-line 78,100 100,100
म  plain  left 28,100 28,60 20,30 ; bar 28,58 78,58 ; stem 78,100 78,0
य  plain  body 35,100 42,80 18,65! 22,42 50,38 80,58 ; stem 80,100 80,0
र  plain  way 55,100 50,75 20,58! 65,3
ल  plain  left 42,52 40,78 15,80 5,52 15,30 32,28 ; arch 42,58 60,80 82,68 ; stem 82,100 82,0
व  plain  bowl 60,75 30,78 12,55 25,32 55,35 80,52 ; stem 80,100 80,0
श  plain  body 18,75 15,95 38,98 45,75 30,62 5,55! 45,10 ; stem 78,100 78,0 ; ‾ head-line 78,100 100,100
ष  plain  cup 22,100 22,50 45,28 78,40 ; slash 22,100 75,45 ; stem 78,100 78,0
स  plain  left 40,100 40,72 12,60! 48,15 ; bar 40,60 80,60 ; stem 80,100 80,0
ह  plain  body 70,100 72,76 28,74 30,56 65,55 80,40 68,22 ; tail 38,48 25,20 50,2 80,3
ळ  plain  stem 55,100 55,80 ; left loop 50,62 30,80 5,60 20,38 50,62 ; right loop 50,62 70,80 95,60 80,38 50,62
क्ष  plain  body 55,75 35,98 18,80 45,56! 20,42 15,15 40,10 60,32! 62,4 ; bar 48,60 80,60 ; stem 80,100 80,0 ; ‾ head-line 80,100 100,100
ज्ञ  plain  bar and body 82,78 25,78! 22,52 48,50 58,34 42,20 15,30! 12,6 ; stem 82,100 82,0
त्र  plain  curve 8,62 36,72 76,48 ; slash 76,48 14,10 ; stem 78,100 78,0
श्र  plain  body 5,30 42,55 60,82 40,100 20,82 45,58 74,40 ; slash 74,36 36,4 ; stem 80,100 80,0 ; ‾ head-line 80,100 100,100
ा  plain  stem 50,100 50,0
ि  plain  stem 20,100 20,0 ; • hook 20,100 28,135 60,142 100,110
ी  plain  stem 80,100 80,0 ; • hook 80,100 70,140 35,142 5,108
ु  plain  hook 30,-5 62,-15 60,-40 20,-42
ू  plain  hook 70,-45 45,-15 20,-20 35,-42
ृ  plain  hook 40,0 55,-15 40,-40 65,-45
े  plain  • matra 10,148 55,130 80,100
ै  plain  • matra 10,155 55,140 80,100 ; • second matra 5,125 50,115 80,100
ो  plain  stem 60,100 60,0 ; • matra 20,145 50,130 60,100
ौ  plain  stem 60,100 60,0 ; • matra 15,155 45,138 60,100 ; • second matra 10,128 40,115 60,100
ं  plain  • dot 50,130 52,130
ँ  plain  • cup 15,135 50,112 85,135 ; • dot 50,140 52,140
ः  plain  dot 50,70 52,70 ; dot 50,20 52,20
्  plain  slash 20,0 80,-25
़  plain  • dot 50,-10 52,-10
ॉ  plain  stem 50,100 50,0 ; • cup 15,135 50,112 85,135
।  bar  stem 50,100 50,0
॥  bars  stem 30,100 30,0 ; stem 70,100 70,0
०  ring  ring 52,98 14,70 10,40 50,2 90,40 86,70 52,98
१  plain  way 62,50 30,55 20,78 50,98 82,75 75,40 40,0
२  plain  way 20,85 55,98 75,75 30,45! 80,0
३  plain  way 15,88 55,98 60,70 30,55! 70,50 70,25 35,20! 85,0
४  plain  way 15,100 55,50 75,15 50,0 25,15 45,50 90,100
५  plain  way 15,95 15,60 40,45 75,55! 75,100 ; stem 75,60 75,0
६  plain  way 85,95 30,95 25,65 60,55! 20,45 25,15 70,15! 85,-5
७  plain  way 70,60 45,55 50,80 80,75 90,40 50,0 10,40 20,85
८  plain  way 85,95 30,75 15,35 40,5 90,5
९  plain  way 80,90 40,98 25,72 60,60! 25,50 30,25 60,20! 85,0
`;

/** What stands over the line of a syllable that begins with an r (reph), and under one that an r follows. */
export const DEVANAGARI_R = `
र्  over  • hook 50,100 30,125 75,140
्र  under  slash 75,30 15,-5
`;
