<?php

declare(strict_types=1);

namespace MintDoor\Items;

use MintDoor\Core\Items\Visibility;
use MintDoor\Core\Items\VisibilityKind;
use MintDoor\Core\Time\NotADay;
use MintDoor\Core\Time\Time;

/**
 * Sentences that say who sees something, between the core and what is stored and sent: `{"kind": "sections", "names":
 * […]}`, `{"kind": "dates", "from": "2026-10-01", "until": null}`, `{"kind": "all", "parts": […]}`. Days are of the
 * site's zone, the last one included.
 */
final class VisibilityCodec
{
    private function __construct() {}

    /**
     * @param array<array-key, mixed> $data
     *
     * @throws WrongSentence
     */
    public static function read(array $data, \DateTimeZone $zone, int $deep = 0): Visibility
    {
        $kind = VisibilityKind::tryFrom(self::text($data['kind'] ?? null));
        $names = array_values(array_filter((array) ($data['names'] ?? []), is_string(...)));
        $parts = array_values((array) ($data['parts'] ?? []));
        if (null === $kind || $deep >= Visibility::DEEPEST) {
            throw new WrongSentence('too-deep');
        }
        if ($kind->isAboutPeople() && [] === $names) {
            throw new WrongSentence('nobody-named');
        }
        if (\in_array($kind, [VisibilityKind::All, VisibilityKind::Any], true)) {
            [] === $parts && throw new WrongSentence('no-parts');
            $read = array_map(
                static fn(mixed $part): Visibility => self::read((array) $part, $zone, $deep + 1),
                $parts
            );

            return VisibilityKind::All === $kind ? Visibility::all(...$read) : Visibility::any(...$read);
        }

        return match ($kind) {
            VisibilityKind::Everybody => Visibility::everybody(),
            VisibilityKind::Sections => Visibility::sections(...$names),
            VisibilityKind::Groups => Visibility::groups(...$names),
            VisibilityKind::Roles => Visibility::roles(...$names),
            VisibilityKind::Labels => Visibility::labels(...$names),
            VisibilityKind::Dates => self::dates($data, $zone),
        };
    }

    /** @return array<string, mixed> as `read()` takes it */
    public static function write(Visibility $visibility, \DateTimeZone $zone): array
    {
        $day = static fn(int $at): string => (new \DateTimeImmutable('@'.$at))->setTimezone($zone)->format('Y-m-d');
        $window = $visibility->window;

        return match ($visibility->kind) {
            VisibilityKind::Everybody => ['kind' => 'everybody'],
            VisibilityKind::Dates => [
                'kind' => 'dates',
                'from' => null === $window || $window->from <= Time::BEGINNING ? null : $day($window->from),
                'until' => null === $window || $window->until >= Time::FOREVER ? null : $day($window->until - 1),
            ],
            VisibilityKind::All, VisibilityKind::Any => [
                'kind' => $visibility->kind->value,
                'parts' => array_map(
                    static fn(Visibility $part): array => self::write($part, $zone),
                    $visibility->parts,
                ),
            ],
            default => ['kind' => $visibility->kind->value, 'names' => $visibility->names],
        };
    }

    /** @param array<array-key, mixed> $data */
    private static function dates(array $data, \DateTimeZone $zone): Visibility
    {
        $from = self::text($data['from'] ?? null);
        $until = self::text($data['until'] ?? null);
        if ('' === $from && '' === $until) {
            throw new WrongSentence('no-day');
        }
        try {
            $begins = '' === $from ? Time::BEGINNING : Time::startOfDay($from, $zone);
            $ends = '' === $until ? Time::FOREVER : Time::untilDayIncluded($until, $zone);
        } catch (NotADay) {
            throw new WrongSentence('no-day');
        }

        return $begins < $ends ? Visibility::between($begins, $ends) : throw new WrongSentence('before-start');
    }

    private static function text(mixed $value): string
    {
        return \is_string($value) ? $value : '';
    }
}
