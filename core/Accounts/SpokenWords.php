<?php

declare(strict_types=1);

namespace MintDoor\Core\Accounts;

/** 256 short words that can be read aloud and told apart: any two differ in two letters or more. */
final class SpokenWords
{
    private const WORDS = 'acorn amber anchor apple apron arrow atlas autumn badge baker balloon bamboo banana barley '
        .'basket beacon bean beaver bell berry birch biscuit bison blanket blossom bonnet bottle branch breeze brick '
        .'bridge bronze brook bramble bucket bundle butter button cabin cactus camel candle canoe canvas carpet carrot '
        .'castle cedar cello chalk cherry chestnut chimney circle citrus clay cloud clover coast cobalt cocoa comet '
        .'compass copper coral cotton cradle crane crayon cricket crown crystal curtain daisy dancer delta desert '
        .'diamond dolphin donkey dragon drum eagle earth echo emerald engine falcon flint fence fern fiddle field '
        .'finch flame flannel flute forest fossil fjord fox galaxy garden garlic garnet ginger glacier globe goose '
        .'grape gravel guitar hammer harbor harp harvest hazel heather hedge heron hill honey horizon ink island ivory '
        .'ivy jacket jasmine jelly jewel jigsaw jungle kettle kite kitten ladder lagoon lake lantern lark laurel lemon '
        .'leopard lilac lily linen lion lobster lotus magnet mango maple marble meadow melon mint mirror mosaic moss '
        .'mountain muffin nectar needle nest nutmeg oasis ocean olive onion opal orange orbit orchard otter owl paddle '
        .'panda paper parsley pasture peach pebble pencil penguin pepper piano pigeon pillow pine planet plum pocket '
        .'pond poppy potato prairie pumpkin puzzle quartz quill rabbit raven reed ribbon river robin rhubarb rose '
        .'sapphire saffron sail salmon sandal satin scarf shell silver sketch sparrow spice spruce squirrel star stone '
        .'summit sunset swan teapot thimble thunder tiger tomato tulip turtle valley velvet violet violin walnut water '
        .'whale wagtail window winter yacht zebra zephyr anvil barrel beetle candy comb pearl sponge wagon';

    /** Words that are the names of something else, too: what was made with them is read, and others are drawn. */
    private const INSTEAD = ['canvas' => 'tunnel', 'compass' => 'whistle'];

    private function __construct() {}

    /** @return non-empty-list<string> all that are read */
    public static function all(): array
    {
        return [...explode(' ', self::WORDS), ...array_values(self::INSTEAD)];
    }

    /** @return non-empty-list<string> 256 words of which keys and passwords are made */
    public static function drawn(): array
    {
        return array_map(
            static fn(string $word): string => self::INSTEAD[$word] ?? $word,
            explode(' ', self::WORDS),
        );
    }
}
