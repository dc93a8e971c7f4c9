<?php

declare(strict_types=1);

namespace MintDoor\Core\People;

/**
 * Passwords that can be read aloud and typed by a child: four short words and a number, from the words below. With 256 words
 * and 90 numbers that is 38 bits, for an account whose tries are counted.
 */
final class SpokenPassword
{
    private const WORDS = 'acorn amber anchor apple apron arrow atlas autumn badge baker balloon bamboo banana barley basket beacon bean beaver bell berry birch biscuit bison blanket blossom bonnet bottle branch breeze brick bridge bronze brook broom bucket bundle butter button cabin cactus camel candle canoe canvas carpet carrot castle cedar cello chalk cherry chestnut chimney circle citrus clay cloud clover coast cobalt cocoa comet compass copper coral cotton cradle crane crayon cricket crown crystal curtain daisy dancer delta desert diamond dolphin donkey dragon drum eagle earth echo ember engine falcon feather fence fern fiddle field finch flame flannel flute forest fossil fountain fox galaxy garden garlic garnet ginger glacier globe goose grape gravel guitar hammer harbor harp harvest hazel heather hedge heron hill honey horizon ink island ivory ivy jacket jasmine jelly jewel jigsaw jungle kettle kite kitten ladder lagoon lake lantern lark laurel lemon leopard lilac lily linen lion lobster lotus magnet mango maple marble meadow melon mint mirror mitten moss mountain muffin nectar needle nest nutmeg oasis ocean olive onion opal orange orbit orchard otter owl paddle panda paper parrot pasture peach pebble pencil penguin pepper piano pigeon pillow pine planet plum pocket pond poppy potato prairie pumpkin puzzle quartz quill rabbit raven reed ribbon river robin rocket rose saddle saffron sail salmon sandal satin scarf shell silver sketch sparrow spice spruce squirrel star stone summit sunset swan teapot thimble thunder tiger tomato tulip turtle valley velvet violet violin walnut water whale willow window winter yarrow zebra zephyr anvil barrel beetle candy comb pearl socket wagon';

    private function __construct()
    {
    }

    /** @param callable(int): int $chance a whole number from 0 to just below */
    public static function make(callable $chance): string
    {
        $words = explode(' ', self::WORDS);

        return implode('-', array_map(static fn (): string => $words[$chance(\count($words))], range(1, 4))).'-'.(10 + $chance(90));
    }

    /** How many different words there are. */
    public static function words(): int
    {
        return \count(array_unique(explode(' ', self::WORDS)));
    }
}
