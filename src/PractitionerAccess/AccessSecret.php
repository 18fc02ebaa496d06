<?php

declare(strict_types=1);

namespace LucidAscent\App\PractitionerAccess;

/** What opens an own page: four words and a number, to be read aloud, typed or scanned. 45 bits, and tries are few. */
final class AccessSecret
{
    private const LEAST = 1000;
    private const MOST = 9999;
    private const MANY_WORDS = 4;

    /** 256 words that are told apart when they are heard. */
    private const WORDS = [
        'acorn', 'apple', 'amber', 'anchor', 'apron', 'arrow', 'autumn', 'badge', 'baker', 'banjo', 'barley', 'basket',
        'beach', 'beaver', 'berry', 'birch', 'bison', 'blanket', 'blossom', 'bonnet', 'bottle', 'branch', 'bread', 'breeze',
        'brick', 'bridge', 'brook', 'broom', 'bucket', 'butter', 'button', 'cabin', 'cactus', 'camel', 'candle', 'canoe',
        'canvas', 'carpet', 'carrot', 'castle', 'cedar', 'cello', 'chalk', 'cherry', 'chess', 'chimney', 'circle', 'cliff',
        'cloud', 'clover', 'cobalt', 'coconut', 'comet', 'copper', 'coral', 'corner', 'cotton', 'cousin', 'cradle', 'crane',
        'crayon', 'cricket', 'crow', 'cup', 'curtain', 'daisy', 'dancer', 'dawn', 'deer', 'desert', 'diamond', 'dolphin',
        'donkey', 'door', 'dragon', 'drum', 'duck', 'eagle', 'earth', 'echo', 'elbow', 'elm', 'ember', 'engine',
        'falcon', 'feather', 'fern', 'fiddle', 'field', 'finch', 'fire', 'flag', 'flute', 'forest', 'fountain', 'fox',
        'frost', 'garden', 'garlic', 'gate', 'ginger', 'glacier', 'glove', 'goat', 'goose', 'grape', 'grass', 'gravel',
        'guitar', 'hammer', 'harbor', 'harp', 'hazel', 'heron', 'hill', 'honey', 'horse', 'house', 'ice', 'iris',
        'island', 'ivory', 'ivy', 'jacket', 'jar', 'jasmine', 'jungle', 'kettle', 'kite', 'kitten', 'ladder', 'lake',
        'lamp', 'lantern', 'lark', 'laurel', 'leaf', 'lemon', 'letter', 'lily', 'linen', 'lion', 'lizard', 'lobster',
        'lotus', 'magnet', 'maple', 'marble', 'meadow', 'melon', 'mint', 'mirror', 'mitten', 'monkey', 'moon', 'moss',
        'mountain', 'mouse', 'mulberry', 'music', 'napkin', 'needle', 'nest', 'nickel', 'north', 'nutmeg', 'oak', 'oasis',
        'ocean', 'olive', 'onion', 'orange', 'orchard', 'orchid', 'otter', 'owl', 'oyster', 'paddle', 'palm', 'panda',
        'paper', 'parrot', 'pasta', 'peach', 'pearl', 'pebble', 'pencil', 'pepper', 'piano', 'picnic', 'pigeon', 'pillow',
        'pine', 'planet', 'plum', 'pocket', 'pond', 'poplar', 'poppy', 'potato', 'pumpkin', 'puzzle', 'quail', 'quartz',
        'quilt', 'rabbit', 'radish', 'rain', 'raven', 'reed', 'ribbon', 'river', 'robin', 'rocket', 'rope', 'rose',
        'ruby', 'saddle', 'sail', 'salmon', 'sand', 'saturn', 'sea', 'shell', 'ship', 'shore', 'silver', 'sister',
        'sky', 'snail', 'snow', 'sparrow', 'spider', 'spoon', 'spring', 'star', 'stone', 'stork', 'storm', 'straw',
        'summer', 'sun', 'swan', 'table', 'tea', 'thistle', 'thunder', 'tiger', 'toast', 'tomato', 'tower', 'trail',
        'train', 'tulip', 'turtle', 'valley',
    ];

    public static function made(): string
    {
        $parts = [];
        for ($i = 0; $i < self::MANY_WORDS; ++$i) {
            $parts[] = self::WORDS[random_int(0, count(self::WORDS) - 1)];
        }

        return implode('-', [...$parts, (string) random_int(self::LEAST, self::MOST)]);
    }

    /** However it was typed: with spaces, capitals or commas. */
    public static function hash(#[\SensitiveParameter] string $typed): string
    {
        return hash('sha256', trim((string) preg_replace('/[^a-z0-9]+/', '-', mb_strtolower($typed)), '-'));
    }
}
