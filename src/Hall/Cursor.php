<?php

declare(strict_types=1);

namespace MintDoor\Hall;

/** A place in a sorted list: the sort values of its last row and a tie-breaking id. Opaque to callers. */
final readonly class Cursor
{
    /** @param list<string|int|null> $values */
    private function __construct(public array $values)
    {
    }

    /** @param list<string|int|null> $values */
    public static function write(string $list, array $values): string
    {
        return rtrim(strtr(base64_encode(json_encode([$list, ...$values], \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE)), '+/', '-_'), '=');
    }

    /**
     * @param string $list  names the list and its sort, so that a cursor of one is not taken for another's
     * @param int    $count how many values it must have
     *
     * @throws Problem of type `BadCursor`
     */
    public static function read(?string $cursor, string $list, int $count): ?self
    {
        if (null === $cursor || '' === $cursor) {
            return null;
        }
        $values = json_decode((string) base64_decode(strtr($cursor, '-_', '+/'), true), true);
        if (!\is_array($values) || array_shift($values) !== $list || \count($values) !== $count) {
            throw new Problem(ProblemType::BadCursor, 'This place in the list is not known any more. Start from the top.');
        }
        $checked = [];
        foreach ($values as $value) {
            $checked[] = \is_string($value) || \is_int($value) ? $value : null;
        }

        return new self($checked);
    }
}
