<?php

declare(strict_types=1);

namespace MintDoor\Sites;

use MintDoor\Core\Sites\LevelBand;
use MintDoor\Core\Sites\Section;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Platform\TermShown;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Named;
use MintDoor\Shared\Row;
use MintDoor\Sites\Repository\Sites;

/** A site read with its division and term, between the database, the core and the contract. */
final class SiteRow
{
    public const TABLES = 'site s JOIN division d ON d.id = s.division_id LEFT JOIN term t ON t.id = s.term_id';

    /**
     * The same behind a `page` that has their ids. Each is looked up by its key, so that they come in the order of the
     * page, which is sorted without them.
     */
    public const BEHIND_PAGE = 'STRAIGHT_JOIN site s ON s.id = page.id
        STRAIGHT_JOIN division d FORCE INDEX (PRIMARY) ON d.id = s.division_id
        LEFT JOIN term t ON t.id = s.term_id';

    public const COLUMNS = 's.id, s.code, s.title, s.kind, s.level_lowest, s.level_highest, s.seats, s.lead_limit,
        s.time_zone, s.opens_at, s.closes_at, s.version, s.sections_apart, s.sections_several,
        '.Sites::SECTIONS.' AS site_sections, d.code AS division_code, d.name AS division_name,
        t.code AS term_code, t.name AS term_name, t.starts_on, t.ends_on';

    /** @var array<string, int> by day and time zone */
    private static array $ends = [];

    private function __construct() {}

    /** @param int $leads the limit of leads where the site has none of its own */
    public static function site(Row $row, int $leads = Site::LEADS_UNLESS_SET): Site
    {
        return new Site(
            $row->id('id'),
            $row->string('division_code'),
            self::levels($row),
            $row->intOrNull('seats'),
            $row->intOrNull('lead_limit') ?? $leads,
            $row->instant('opens_at'),
            $row->instant('closes_at'),
            self::endOf($row->stringOrNull('ends_on'), $row->string('time_zone')),
            $row->string('kind'),
            self::sections($row->stringOrNull('site_sections')),
            $row->bool('sections_apart'),
            $row->bool('sections_several'),
        );
    }

    /** @return array<string, Section> by id */
    private static function sections(?string $json): array
    {
        $sections = [];
        foreach (null === $json ? [] : (array) json_decode($json, true) as $each) {
            [$hex, $seats, $from, $until, $retired] = array_values((array) $each) + array_fill(0, 5, null);
            $id = Id::text((string) hex2bin(self::text($hex)));
            $sections[$id] = new Section(
                $id,
                null === $seats ? null : (int) self::text($seats),
                new Window(Instant::fromSql(self::text($from)), Instant::fromSql(self::text($until))),
                '0' !== self::text($retired),
            );
        }

        return $sections;
    }

    private static function text(mixed $value): string
    {
        return \is_scalar($value) ? (string) $value : '';
    }

    /** Sites of a list mostly end on the same day; those of no term never. */
    private static function endOf(?string $day, string $zone): int
    {
        if (null === $day) {
            return Time::FOREVER;
        }
        if (\count(self::$ends) > 1_000) {
            self::$ends = [];
        }

        return self::$ends[$day.$zone] ??= Time::untilDayIncluded($day, new \DateTimeZone($zone));
    }

    public static function facts(Row $row, int $now): SiteFacts
    {
        $site = self::site($row);

        return new SiteFacts(
            $site->id,
            $row->string('code'),
            $row->string('title'),
            $row->string('kind'),
            new Named($site->division, $row->string('division_name')),
            self::term($row),
            null === $site->levels ? null : ['lowest' => $site->levels->lowest, 'highest' => $site->levels->highest],
            $site->stateAt($now)->value,
            Instant::toJson($site->opensAt),
            Instant::toJson($site->closesAt),
            $row->string('time_zone'),
        );
    }

    public static function term(Row $row): ?TermShown
    {
        return null === $row->stringOrNull('term_code')
            ? null
            : new TermShown(
                $row->string('term_code'),
                $row->string('term_name'),
                $row->string('starts_on'),
                $row->string('ends_on'),
            );
    }

    private static function levels(Row $row): ?LevelBand
    {
        $lowest = $row->intOrNull('level_lowest');
        $highest = $row->intOrNull('level_highest');

        return null === $lowest || null === $highest ? null : new LevelBand($lowest, $highest);
    }
}
