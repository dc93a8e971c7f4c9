<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** Whom a detail narrows people down to. */
final readonly class DetailWanted
{
    /**
     * @param ?string $text  that is in it, or is it where it is chosen; null where it is compared by amount
     * @param ?float  $from  at least
     * @param ?float  $until at most
     */
    private function __construct(
        public Detail $detail,
        public ?string $text = null,
        public ?float $from = null,
        public ?float $until = null,
    ) {}

    /**
     * What an address asks for: "instrument=violin&mark=10..15", with a date or number alone for just that one. What is
     * of no detail, asked twice, or not understood asks for nobody.
     *
     * @param list<Detail> $details that may be asked for
     *
     * @return ?list<self> null for nobody
     */
    public static function all(string $asked, array $details): ?array
    {
        $byCode = array_column($details, null, 'code');
        $wanted = [];
        foreach ('' === $asked ? [] : explode('&', $asked) as $part) {
            [$code, $value] = array_map(urldecode(...), [...explode('=', $part, 2), '']);
            $detail = $byCode[$code] ?? null;
            $one = null === $detail ? null : self::one($detail, $value);
            if (null === $one || isset($wanted[$code])) {
                return null;
            }
            $wanted[$code] = $one;
        }

        return array_values($wanted);
    }

    private static function one(Detail $detail, string $asked): ?self
    {
        if (\in_array($detail->type, [DetailType::Text, DetailType::Choice], true)) {
            $text = $detail->read($asked)->text;

            return null === $text ? null : new self($detail, $text);
        }
        [$from, $until] = str_contains($asked, '..') ? explode('..', $asked, 2) : [$asked, $asked];
        [$from, $until] = [$detail->read($from), $detail->read($until)];
        $understood = null === $from->problem && null === $until->problem;

        return $understood && (null !== $from->amount || null !== $until->amount)
            ? new self($detail, null, $from->amount, $until->amount)
            : null;
    }
}
