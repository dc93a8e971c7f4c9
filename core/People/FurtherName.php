<?php

declare(strict_types=1);

namespace MintDoor\Core\People;

use MintDoor\Core\Text\Folding;

/** A name that somebody has besides; a side that is empty is as usual. */
final readonly class FurtherName
{
    /** Names of one person, and letters of a side. */
    public const MOST = 12;
    public const LONGEST = 80;

    public function __construct(public NameKind $kind, public string $given, public string $family) {}

    /**
     * A name as it stands in one cell: "Silva" for a family name of before, "Beatriz Silva" or "Silva, Beatriz"
     * otherwise. Names of Chinese and Korean letters have the family name in front.
     */
    public static function read(NameKind $kind, string $text): self
    {
        $text = trim((string) preg_replace('/\s+/u', ' ', $text));
        if (NameKind::Former === $kind && !str_contains($text, ',')) {
            return new self($kind, '', $text);
        }
        if (1 === preg_match('/^([^,]+),\s*(.+)$/u', $text, $found)) {
            return new self($kind, $found[2], $found[1]);
        }
        if (1 === preg_match('/^([\p{Han}\p{Hangul}])\s*([\p{Han}\p{Hangul}]{1,3})$/u', $text, $found)) {
            return new self($kind, $found[2], $found[1]);
        }
        $words = explode(' ', $text);
        $family = (string) array_pop($words);

        return new self($kind, implode(' ', $words), $family);
    }

    public function shown(): string
    {
        return trim($this->given.' '.$this->family);
    }

    public function same(self $other): bool
    {
        return $this->kind === $other->kind
            && Folding::tokens($this->given) === Folding::tokens($other->given)
            && Folding::tokens($this->family) === Folding::tokens($other->family);
    }

    /**
     * @param list<self> $names
     *
     * @return list<self> each once, and no more than somebody may have
     */
    public static function distinct(array $names): array
    {
        $kept = [];
        foreach ($names as $name) {
            $known = array_filter($kept, static fn(self $each): bool => $each->same($name));
            [] !== $known || '' === $name->shown() || ($kept[] = $name);
        }

        return \array_slice($kept, 0, self::MOST);
    }

    /** @param list<self> $names as they are stored; null for none */
    public static function stored(array $names): ?string
    {
        return [] === $names
            ? null
            : json_encode(self::plain($names), \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE);
    }

    /**
     * @param list<self> $names
     *
     * @return list<array{kind: string, given: string, family: string}>
     */
    public static function plain(array $names): array
    {
        return array_map(
            static fn(self $each): array => [
                'kind' => $each->kind->value,
                'given' => $each->given,
                'family' => $each->family,
            ],
            $names,
        );
    }

    /**
     * @param mixed $plain as `plain()` has them
     *
     * @return list<self>
     */
    public static function ofPlain(mixed $plain): array
    {
        $names = [];
        foreach (\is_array($plain) ? $plain : [] as $each) {
            $kind = \is_array($each) && \is_string($each['kind'] ?? null) ? NameKind::tryFrom($each['kind']) : null;
            if (null !== $kind) {
                $text = static fn(string $side): string => \is_string($each[$side] ?? null) ? $each[$side] : '';
                $names[] = new self($kind, $text('given'), $text('family'));
            }
        }

        return $names;
    }

    /** @return list<self> as `stored()` has them */
    public static function ofStored(?string $stored): array
    {
        return null === $stored ? [] : self::ofPlain(json_decode($stored, true));
    }
}
