from ..part import Z, part
from ..stroke import bar, dots, lens, line
from .torsos import winding_key


@part('flag.gonfalon', 'weapon', attach='hand.right', note='hanging banner on a crossbar, three tails', plant=159)
def gonfalon(d):
    W = Z['weapon']
    pz = W if d.front else W + 16          # seen from behind, the pole lies over the cloth
    top, low = -334, -190
    cloth = (f'-60,{top}/1 60,{top}/1 59,-260~ 61,{low + 16}/3 50,{low + 6}/2 40,{low - 8}/2 20,{low + 4}/2 0,{low + 22}/3 -20,{low + 4}/2 '
             f'-40,{low - 8}/2 -50,{low + 6}/2 -61,{low + 16}/3 -59,-260~')
    d.area('flag.fringe', cloth, W + 4, mat='rope', form='fringe', shade='flat', lift=3)
    # field: party per pale under a chief, inside a border
    border = (f'-60,{top}/1 60,{top}/1 59,-260~ 60,{low + 7}/3 50,{low - 2}/2 40,{low - 16}/2 20,{low - 4}/2 0,{low + 13}/3 -20,{low - 4}/2 '
              f'-40,{low - 16}/2 -50,{low - 2}/2 -60,{low + 7}/3 -59,-260~')
    d.area('flag.border', border, W + 5, form='border', shade='none', lift=.5)
    for s, f in (('left', 1), ('right', -1)):
        pts = [(0, top + 8, 0), (52, top + 8, 1), (51, -260, None), (52, low - 8, 2), (50, low - 12, 2), (40, low - 26, 2), (20, low - 14, 2), (0, low + 1, 2)]
        d.area(f'flag.field.{s}', ' '.join(f'{f * x},{y}' + ('~' if r is None else f'/{r}') for x, y, r in pts), W + 6, form='field', shade='none', lift=.4)
    d.area('flag.chief', f'-52,{top + 8}/1 52,{top + 8}/1 51.6,{top + 34}/0 -51.6,{top + 34}/0', W + 7, form='chief', shade='none', lift=.4)
    d.area('flag.chief.bezants', dots([(-33, top + 21), (0, top + 21), (33, top + 21)], 6.4), W + 8, shade='none', lift=.4)
    key, eye = winding_key(-2, -252, 1.8)
    d.area('flag.device', key, W + 8, shade='none', lift=.7, cut=eye)
    fl = ('flag.field', 'flag.border', 'flag.chief', 'flag.device', 'flag.fringe')
    for x, w, a in ((-44, 8, .13), (-14, 7, .1), (22, 9, .13), (50, 8, .14)):
        d.dark(fl, lens((x, top), (x + 3, -264), (x - 2, low + 18), w=w), a)
    for x, w, a in ((-54, 6, .14), (-28, 6, .12), (8, 6, .12), (38, 6, .12)):
        d.lite(fl, lens((x, top), (x + 2, -268), (x - 2, low + 10), w=w), a)
    d.ink('flag.fringe', ' | '.join(line((x, low - 30), (x, low + 30), w=.8) for x in range(-64, 66, 4)), .35)
    d.dark(fl, f'-70,{top}/0 70,{top}/0 70,{top + 5}/0 -70,{top + 5}/0', .2)
    d.area('flag.crossbar', bar(-70, top - 3, 70, top - 3, 8, r=2), W + 12, mat='wood', shade='none', lift=1.6)
    d.dark('flag.crossbar', f'-80,{top - 2} 80,{top - 2} 80,{top + 3} -80,{top + 3}', .22)
    d.area('flag.crossbar.knob', f'o:-71,{top - 3},6.2 o:71,{top - 3},6.2', W + 13, mat='metal', shade='ball', lift=1)
    d.area('flag.rings', ' | '.join(f'{x - 4},{top - 8}/1.5 {x + 4},{top - 8}/1.5 {x + 4},{top + 4}/1.5 {x - 4},{top + 4}/1.5' for x in (-49, -25, 25, 49)), W + 14, mat='cloth', shade='none', lift=.8)
    d.area('flag.cord', f'-70,{top - 5}/0 0,{top - 26}/0 70,{top - 5}/0 70,{top - 8.4}/0 0,{top - 30}/0 -70,{top - 8.4}/0', W + 10, mat='rope', shade='none', lift=.8)
    d.area('flag.tassel', ' | '.join(f'{x - 2},{top}/1 {x + 2},{top}/1 {x + 5},{top + 30}/1 {x - 5},{top + 30}/1' for x in (-71, 71)), W + 11, mat='rope', shade='none', lift=.8)
    d.ink('flag.tassel', ' | '.join(line((x - 4, top + 12), (x + 4, top + 12), w=1.4) for x in (-71, 71)), .5)
    d.area('flag.pole', f'-4,{top - 30} 4,{top - 30} 4,150 -4,150', pz, mat='wood', form='pole', lift=1.4)
    d.area('flag.pole.shoe', '-5,140/1 5,140/1 3.6,160/1 0,164/1 -3.6,160/1', pz + 1, mat='metal', shade='flat', lift=.8)
    d.area('flag.pole.grip', bar(0, -20, 0, 36, 10, r=1.5), pz + 1, mat='cloth', form='grip', shade='cyl', lift=.9)
    d.area('flag.finial', f'-6,{top - 26}/1 6,{top - 26}/1 5,{top - 36}/1 16,{top - 48}~ 10,{top - 56}/1 4,{top - 50}/1 0,{top - 70}/0 -4,{top - 50}/1 -10,{top - 56}/1 -16,{top - 48}~ -5,{top - 36}/1', W + 15, mat='metal', form='finial', shade='flat', lift=1.2)
    d.site('flag.field', 'flag.field', 0, -252, 9, 10, 'rect', 'drape')
    d.site('flag.chief', 'flag.chief', 0, top + 21, 10, 2.2, 'rect', 'drape')
