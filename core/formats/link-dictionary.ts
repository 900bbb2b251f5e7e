/**
 * What a piece in an address leaves out, since both sides know it: a dictionary of words that most pieces have (RFC 1950).
 * It is frozen: an address that was made with these words is read with these words. Other words are another way to write.
 */
export const LINK_WORDS = [
  '{"format":"ruddy-bramble/piece","version":7,"id":"piece","stage":"planned","brief":{"name":"ring","occasion":"","surface',
  '":{"kind":"boards","colour":"#5E7C84"},"light":"day","door":{"width":914.4,"height":2032},"weather":"covered","fullness"',
  ':"full","balance":{"school":"even","towards":0},"budget":null,"copies":1},"base":{"kind":"straw","shape":{"form":"ring",',
  '"outer":304.8,"inner":177.8},"colour":"#C9A75E","turn":0,"join":0.5,"hook":null,"price":null,"mass":null},"layers":[{"id',
  '":"bracken","role":"greenery","run":"ring","mix":[{"material":"bracken","share":1,"only":null}],"rule":{"kind":"compass"',
  ',"count":16,"start":0},"mirrored":false,"flow":"clockwise","seat":0.5,"across":0,"acrossSpread":0.5,"lean":10,"leanSprea',
  'd":20,"cut":null,"taper":0,"reserve":null,"clear":false,"hidden":false,"locked":false,"words":null,"fixing":null,"backup',
  '":null,"prepared":{"paint":null,"seal":0,"clean":"none","joined":false,"from":null},"seed":1,"nudges":{},"added":[],"tak',
  'en":[]},{"id":"daisy","role":"focal","run":"ring","mix":[{"material":"daisy","share":1,"only":null}],"rule":{"kind":"clu',
  'ster","at":[0.5833333333333334],"size":3},"mirrored":false,"flow":"outward","seat":0.5,"across":0,"acrossSpread":0,"lean',
  '":0,"leanSpread":0,"cut":null,"taper":0,"reserve":null,"clear":true,"hidden":false,"locked":false,"words":null,"fixing":',
  'null,"backup":null,"prepared":{"paint":null,"seal":0,"clean":"none","joined":false,"from":null},"seed":1,"nudges":{},"ad',
  'ded":[],"taken":[]},{"id":"ribbon-slate","role":"bow","run":"ring","mix":[{"material":"ribbon-slate","share":1,"only":nu',
  'll}],"rule":{"kind":"bow","at":0.5,"means":null,"ribbons":[{"build":"hand","loops":6,"loop":101.6,"taper":0.2,"groups":n',
  'ull,"tails":[228.6,254],"centre":76.2,"twist":0}],"ends":"v","hem":0,"tied":"stem-wire-20","fixes":true},"mirrored":fals',
  'e,"flow":"outward","seat":0.5,"across":0,"acrossSpread":0,"lean":0,"leanSpread":0,"cut":null,"taper":0,"reserve":0,"clea',
  'r":false,"hidden":false,"locked":false,"words":null,"fixing":null,"backup":null,"prepared":{"paint":null,"seal":0,"clean',
  '":"none","joined":false,"from":null},"seed":1,"nudges":{},"added":[],"taken":[]}],"fixing":{"school":"as suits","keep":"',
  'for good","wire":null},"hanger":{"loop":"twine loop","hook":"over-door hook","run":"ring","at":0,"gap":0,"rise":null,"ra',
  'ted":null,"clear":null},"making":{"day":null,"hangs":null,"hanger":"last","bow":"last","base":{"paint":null,"seal":0,"cl',
  'ean":"none","joined":false,"from":null},"own":[],"order":[],"accepted":[]},"weighed":[],"words":["compass","crescent","c',
  'luster","single","\\"kind\\":\\"every\\",\\"spacing\\":","dense\\":\\"middle\\",\\"thin\\":0.5","\\"only\\":null}],\\"rule\\":{\\"kind\\"',
  ':\\"","\\"colour\\":\\"#","\\"seat\\":0.5,\\"across\\":0,\\"acrossSpread\\":0,\\"lean\\":0,\\"leanSpread\\":0,\\"cut\\":null,\\"taper\\":0',
  ',\\"reserve\\":null,\\"clear\\":true"]}',
].join('')
