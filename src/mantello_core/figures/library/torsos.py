from ..part import Z, part
from ..stroke import bar, dots, lens, line

T, C, S = Z['torso'], Z['coat'], Z['strap']


@part('torso.longcoat', 'torso', attach='neck', origin=(0, -240),
      note='long-skirted coat, lapels buttoned back, standing collar, turnbacks')
def longcoat(d, wings=True):
    if d.front:
        d.area('torso.stock', '-9,-246 9,-246 8,-231/3 3,-226/2 -3,-226/2 -8,-231/3', C + 9, form='neck', shade='ball', lift=1)
        d.ink('torso.stock', line((0, -240), (0, -227), w=1), .35)
        d.area('torso.vest', '-13,-242 13,-242 15,-168 19,-140 13,-131/2 3,-138/1 0,-146/1 -3,-138/1 -13,-131/2 -19,-140 -15,-168',
               T + 1, form='vest', shade='flat', lift=1.5)
        d.area('torso.vest.buttons', dots([(0, y) for y in (-219, -208, -184, -173, -162, -151)], 1.9),
               T + 2, mat='metal', shade='none', lift=.6)
        d.both('torso.coat.body.{s}', '4,-242 22,-243~ 38,-238~ 51,-228/6 48,-204~ 38,-180~ 35,-164~ 42,-136~ 57,-82/3 '
               '52,-78/2 24,-75/2 17,-112~ 8,-148~ 5,-164 4,-204', C, form='coat.{s}', lift=2)
        d.both('torso.coat.turnback.{s}', '10,-142/1 17,-112~ 24,-75/2 52,-78/2 44,-96~ 26,-116~', C + 2, form='tb.{s}',
               shade='flat', lift=1.2)
        d.both('torso.coat.lapel.{s}', '4,-242/1 20,-242/2 33,-233/4 31,-214~ 22,-186~ 15,-160/2 4,-160/1', C + 3,
               form='lapel.{s}', shade='flat', lift=1.1)
        d.both('torso.coat.collar.{s}', '6,-252/2 21,-254/3 25,-238/2 15,-232/2 7,-235/1', C + 10, form='collar', shade='flat', lift=1.3)
        d.area('torso.coat.buttons', dots([(28, -225), (27, -212), (23.5, -199), (19.5, -186), (15.5, -173),
               (-28, -225), (-27, -212), (-23.5, -199), (-19.5, -186), (-15.5, -173)], 2.4) + ' '
               + dots([(40, -84), (-40, -84)], 2.6), C + 4, mat='metal', shade='none', lift=.7)
        d.dark('torso.coat.body', lens((41, -150), (46, -120), (54, -88), w=5), .18, sym=True)
        d.dark('torso.coat.body', lens((33, -158), (35, -130), (40, -104), w=4), .15, sym=True)
        d.dark('torso.coat.body', lens((47, -208), (41, -196), (33, -172), w=5), .2, sym=True)
    else:
        d.both('torso.coat.body.{s}', '0,-244/0 22,-243~ 38,-238~ 51,-228/6 48,-204~ 38,-180~ 35,-164~ 42,-136~ 57,-82/3 '
               '52,-78/2 4,-74/2 0,-110/0', C, form='coat.{s}', shade='cyl', lift=2)
        d.both('torso.coat.turnback.{s}', '1.5,-136/1 4,-74/2 52,-78/2 38,-92~ 18,-112~', C + 2, form='tb.{s}', shade='flat', lift=1.2)
        d.both('torso.coat.pocket.{s}', '30,-148/1 38,-147/2 45,-118/2 38,-114/2 33,-121/1', C + 3, form='pk.{s}', shade='flat', lift=.9)
        d.area('torso.coat.collar.left', '0,-254/0 20,-254/3 24,-237/2 0,-234/0', C + 10, form='collar', shade='flat', lift=1.3)
        d.area('torso.coat.collar.right', '0,-254/0 -20,-254/3 -24,-237/2 0,-234/0', C + 10, form='collar', shade='flat', lift=1.3)
        d.area('torso.coat.buttons', dots([(14, -161), (-14, -161)], 3) + ' ' + dots([(30, -84), (-30, -84)], 2.6),
               C + 4, mat='metal', shade='none', lift=.7)
        d.dark('torso.coat.body', lens((16, -150), (22, -128), (30, -106), w=5), .18, sym=True)
        d.dark('torso.coat.body', lens((45, -130), (50, -110), (54, -88), w=4), .15, sym=True)
        d.dark('torso.coat.body', lens((44, -212), (38, -192), (33, -172), w=5), .18, sym=True)
    if wings:
        d.both('torso.coat.epaulet.{s}', '22,-243/1 46,-239/2 56,-229/3 52,-223/2 24,-235/1', Z['over'] + 2,
               form='wing.{s}', shade='flat', lift=1.6)
        d.both('torso.coat.wing.{s}', '46,-241/2 60,-236/4 66,-222/3 61,-216/2 49,-222/2 43,-234/2', Z['over'] + 1,
               form='wing2.{s}', shade='ball', lift=1.8)
    if d.front:
        d.site('collar.left', 'torso.coat.collar.left', 16.5, -238.5, .6, .6, 'disc', 'cyl:2')
        d.site('collar.right', 'torso.coat.collar.right', -16.5, -238.5, .6, .6, 'disc', 'cyl:2')


@part('torso.jerkin', 'torso', attach='neck', origin=(0, -240), note='laced leather jerkin over a tunic, belt, pouches, reed knife')
def jerkin(d):
    d.area('torso.shirt', '-19,-254/3 19,-254/3 24,-234 -24,-234', T, form='neck', shade='flat', lift=0)
    d.area('torso.tunic', '-36,-164 36,-164 44,-136~ 52,-104/2 36,-98/2 20,-101/2 4,-97/2 0,-108/1 -4,-97/2 -20,-101/2 -36,-98/2 -52,-104/2 -44,-136~', T + 1, form='tunic', lift=2)
    d.area('torso.tunic.hem', '49,-113/1 52,-104/2 36,-98/2 20,-101/2 4,-97/2 0,-108/1 -4,-97/2 -20,-101/2 -36,-98/2 -52,-104/2 -49,-113/1 -36,-107/2 -20,-110/2 -5,-106/2 0,-116/1 5,-106/2 20,-110/2 36,-107/2', T + 2, form='tunichem', shade='none', lift=.7)
    d.both('torso.jerkin.{s}', '0,-238/0 20,-243~ 38,-238~ 51,-228/6 48,-204~ 38,-180~ 36,-164~ 41,-142/2 24,-124/3 3,-132/2 0,-148/0', C, mat='leather', form='jerkin', lift=2)
    if d.front:
        d.area('torso.jerkin.placket', '-7,-240/2 7,-240/2 7,-152/1 0,-146/1 -7,-152/1', C + 1, mat='leather', shade='flat', lift=.8)
        d.area('torso.jerkin.lace', ' | '.join(bar(-5, y, 5, y + 8, 2.8, r=1) + ' | ' + bar(5, y, -5, y + 8, 2.8, r=1) for y in (-232, -220, -208, -196, -184)), C + 2, mat='rope', shade='none', lift=.6)
    else:
        d.ink('torso.jerkin', line((0, -236), (0, -150), w=1.2), .5)
    d.area('gear.belt', '-37.4,-171/1 0,-168~ 37.4,-171/1 38.4,-158/1 0,-155~ -38.4,-158/1', S, mat='leather', form='belt', shade='flat', lift=1.2)
    if d.front:
        d.area('gear.belt.buckle', '-8,-172/2 8,-172/2 8,-152/2 -8,-152/2', S + 1, mat='metal', shade='flat', lift=1)
        d.area('gear.belt.buckle.tongue', '-4.5,-166/1 4.5,-166/1 4.5,-158/1 -4.5,-158/1', S + 2, mat='leather', shade='none', lift=0)
        d.area('gear.pouch.left', '14,-160/3 35,-162/3 37,-137/5 16,-133/5', S + 3, mat='leather', shade='ball', lift=1.8)
        d.area('gear.pouch.left.flap', '13,-162/2 36,-164/2 36,-149/4 25,-145~ 14,-148/4', S + 4, mat='leather', shade='flat', lift=.9)
        d.area('gear.pouch.stud', 'o:25.4,-148.5,2.6', S + 5, mat='metal', shade='none', lift=.6)
        d.area('gear.knife.sheath', bar(-24, -156, -34, -110, 10, 5, r=2), S + 3, mat='leather', shade='cyl', lift=1.6)
        d.area('gear.knife.grip', bar(-19, -184, -23, -160, 7.4, r=2), S + 4, mat='wood', shade='cyl', lift=1.2)
        d.area('gear.knife.guard', bar(-30, -160, -17, -157, 5, r=1.4), S + 5, mat='metal', shade='flat', lift=.8)
    d.dark('torso.tunic', lens((14, -128), (20, -114), (22, -100), w=4), .18, sym=True)
    d.dark('torso.tunic', lens((32, -132), (38, -116), (42, -102), w=4), .16, sym=True)
    d.dark('torso.jerkin', lens((46, -206), (40, -194), (34, -174), w=4.6), .18, sym=True)
    d.dark('torso.jerkin', lens((36, -178), (22, -174), (10, -175), w=3), .14, sym=True)
    if d.front:
        d.site('jerkin.breast', 'torso.jerkin.left', 21, -186, 1.4, 1.4, 'disc', 'cyl:5')


def winding_key(x, y, k=1.0):
    """The device of the sample house: a winding key, upright. -> (outline, holes); draw with cut=holes."""
    def t(pts):
        return ' '.join(f'{x + a * k:.2f},{y + b * k:.2f}/{r}' for a, b, r in pts)
    bow = f'o:{x - 9 * k:.2f},{y - 15 * k:.2f},{8.4 * k:.2f} o:{x + 9 * k:.2f},{y - 15 * k:.2f},{8.4 * k:.2f}'
    shaft = t([(-3, -18, 0), (3, -18, 0), (3, 22, 1), (-3, 22, 1)])
    bits = t([(0, 8, 0), (12, 8, 1), (12, 21, 1), (8, 21, .6), (8, 16, .6), (5, 16, .6), (5, 21, .6), (0, 21, 0)])
    eye = f'o:{x - 9 * k:.2f},{y - 15 * k:.2f},{3.6 * k:.2f} o:{x + 9 * k:.2f},{y - 15 * k:.2f},{3.6 * k:.2f}'
    return f'{bow} | {shaft} | {bits}', eye


@part('torso.surcoat', 'torso', attach='neck', origin=(0, -240), note='quartered heraldic surcoat over mail, belt')
def surcoat(d):
    d.area('torso.mail', '-36,-150 36,-150 49,-104/3 30,-96~ 3,-98/2 0,-106/1 -3,-98/2 -30,-96~ -49,-104/3', T, mat='mail', form='mailskirt', lift=2, tex='mail')
    for s, f in (('left', 1), ('right', -1)):
        top, low = ('q2', 'q4') if f == 1 else ('q1', 'q3')

        def m(spec):
            return ' '.join((f'{f * float(t.split(",")[0])},' + t.split(',')[1]) for t in spec.split())
        d.area(f'torso.surcoat.{top}', m('0,-243/0 20,-244/2 37,-240~ 46,-230/6 45,-204~ 37,-178~ 35,-163/0 0,-163/0'), C, form='surcoat', lift=2)
        d.area(f'torso.surcoat.{low}', m('0,-164/0 35,-164/0 41,-142~ 52,-112/3 30,-104~ 5,-106/2 1.5,-134/1 0,-138/0'), C, form='surcoat', lift=2)
        d.area('torso.surcoat.hem', m('49.2,-120/1 52,-112/3 30,-104~ 5,-106/2 4.2,-115/1 30,-113~'), C + 1, form='hem' + s, shade='flat', lift=.7)
    d.area('torso.surcoat.collar', '-22,-245 22,-245 20,-236~ 0,-228~ -20,-236~', C + 2, form='scollar', shade='flat', lift=.8)
    d.area('gear.belt', '-37,-170/1 0,-167~ 37,-170/1 38,-157/1 0,-154~ -38,-157/1', S, mat='leather', form='belt', shade='flat', lift=1.3)
    if d.front:
        key, eye = winding_key(-1, -189, .82)
        d.area('torso.surcoat.charge', key, C + 4, shade='none', lift=.6, cut=eye)
        d.area('gear.belt.buckle', 'o:0,-161,8.4', S + 1, mat='metal', shade='ball', lift=1.1)
        d.area('gear.belt.end', '-4,-156/1 4,-156/1 5,-128/1 0,-122/1 -5,-128/1', S + .5, mat='leather', shade='flat', lift=1)
        d.area('gear.belt.end.tip', '-5,-132/1 5,-132/1 5,-127/1 0,-120/1 -5,-127/1', S + .6, mat='metal', shade='flat', lift=.6)
        d.site('surcoat.charge', 'torso.surcoat', 0, -190, 3.2, 3.8, 'shield', 'cyl:6')
    else:
        d.area('torso.surcoat.lace', ' | '.join(bar(-5, y, 5, y + 9, 2.8, r=1) + ' | ' + bar(5, y, -5, y + 9, 2.8, r=1) for y in (-216, -203, -190)), C + 4, mat='rope', shade='none', lift=.6)
        d.site('surcoat.back', 'torso.surcoat.q3', -24, -138, 2.4, 2.4, 'disc', 'drape')
    d.dark('torso.surcoat', lens((14, -152), (19, -130), (22, -108), w=5), .18, sym=True)
    d.dark('torso.surcoat', lens((30, -152), (38, -130), (42, -112), w=5), .18, sym=True)
    d.dark('torso.surcoat', lens((44, -206), (38, -192), (32, -172), w=4.6), .2, sym=True)
    d.dark('torso.surcoat', lens((26, -184), (18, -176), (10, -170), w=3.4), .14, sym=True)
    d.lite('torso.surcoat', lens((8, -152), (10, -130), (12, -110), w=3.4), .14)
    d.lite('torso.surcoat', lens((-24, -152), (-29, -130), (-31, -110), w=3.4), .14)
