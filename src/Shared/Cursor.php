<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** A place in a sorted list: the sort values of its last row and a tie-breaking id. Opaque to callers. */
final readonly class Cursor
{
    /** @param list<string|int|null> $values */
    private function __construct(public array $values) {}

    /** @param list<string|int|null> $values */
    public static function write(string $list, array $values): string
    {
        return rtrim(
            strtr(
                base64_encode(json_encode([$list, ...$values], \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE)),
                '+/',
                '-_',
            ),
            '=',
        );
    }

    /**
     * @param string $list  names the list and its sort, so that a cursor of one is not taken for another's
     * @param string $kinds of its values, a letter each: (i)nteger, (d)ate and time, (u)uid, (s)tring, (a)nything
     *
     * @throws Problem of type `BadCursor`
     */
    public static function read(?string $cursor, string $list, string $kinds): ?self
    {
        if (null === $cursor || '' === $cursor) {
            return null;
        }
        $values = json_decode((string) base64_decode(strtr($cursor, '-_', '+/'), true), true);
        if (!\is_array($values) || array_shift($values) !== $list || \count($values) !== \strlen($kinds)) {
            throw self::unknown();
        }
        $checked = [];
        foreach (array_values($values) as $place => $value) {
            $fits = match ($kinds[$place]) {
                'i' => \is_int($value),
                'd' => \is_string($value) && 1 === preg_match('/^\d{4}-\d\d-\d\d \d\d:\d\d:\d\d$/D', $value),
                'u' => \is_string($value) && 1 === preg_match('/^'.Id::PATTERN.'$/D', $value),
                's' => \is_string($value),
                default => null === $value || \is_int($value) || \is_string($value),
            };
            if (!$fits || (\is_string($value) && (\strlen($value) > 700 || str_contains($value, "\0")))) {
                throw self::unknown();
            }
            $checked[] = \is_int($value) || \is_string($value) ? $value : null;
        }

        return new self($checked);
    }

    public static function unknown(): Problem
    {
        return new Problem(ProblemType::BadCursor, 'shared.place-list-not-known');
    }
}
