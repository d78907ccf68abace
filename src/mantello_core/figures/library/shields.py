from ..part import Z, part
from ..stroke import bar, dots
from .torsos import winding_key


@part('shield.tide', 'shield', attach='shield.left', note='notched house shield, quartered')
def tide(d):
    full = '-36,-50/4 -14,-55~ 0,-48/2 14,-55~ 36,-50/4 37,-10~ 26,36~ 0,62/3 -26,36~ -37,-10~'
    if d.front:
        z = Z['shield']
        d.area('shield.rim', full, z, mat='metal', form='rim', shade='flat', lift=3)
        # wearer space: +x is the wearer's left, so q1 (dexter chief) lies at -x
        d.area('shield.face.q1', '0,-3/0 -31.4,-3/0 -31,-45/3 -14,-49~ 0,-42/2', z + 1, mat='paint', form='face', shade='flat', lift=.5)
        d.area('shield.face.q2', '0,-3/0 31.4,-3/0 31,-45/3 14,-49~ 0,-42/2', z + 1, mat='paint', form='face', shade='flat', lift=.5)
        d.area('shield.face.q3', '0,-3/0 -31.4,-3/0 -29,10~ -22,33~ 0,55/2', z + 1, mat='paint', form='face', shade='flat', lift=.5)
        d.area('shield.face.q4', '0,-3/0 31.4,-3/0 29,10~ 22,33~ 0,55/2', z + 1, mat='paint', form='face', shade='flat', lift=.5)
        key, eye = winding_key(-1, -1, 1.12)
        d.area('shield.charge', key, z + 4, mat='paint', shade='none', lift=.8, cut=eye)
        d.area('shield.rivets', dots([(-33.6, -46), (33.6, -46), (-34, -10), (34, -10), (-24, 34), (24, 34), (0, 58)], 1.9), z + 6, mat='metal', shade='none', lift=.5)
        d.dark('shield.face', '20,-50/0 34,-50/0 36,-10~ 24,36~ 0,60/0 0,46/0 14,28~ 22,-10~', .15)
        d.lite('shield.face', '-31,-45/0 -22,-47/0 -25,-8~ -18,26~ -20,34/0 -29,8~', .16)
        d.site('shield.face', 'shield.face', 0, -2, 5.6, 8.6, 'shield', 'cyl:15')
    else:
        z = Z['behind'] - 20
        d.area('shield.rim', full, z, mat='metal', form='rim', shade='flat', lift=2)
        d.area('shield.back', '-31,-45/3 -14,-49~ 0,-42/2 14,-49~ 31,-45/3 32,-10~ 22,33~ 0,55/3 -22,33~ -32,-10~', z + 1, mat='wood', form='back', shade='flat', lift=.5, tex='wood')
        d.area('shield.strap', bar(-24, -34, 24, -30, 8, r=1) + ' | ' + bar(-22, 24, 22, 20, 7, r=1), z + 2, mat='leather', shade='none', lift=1)
