<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Text\Folding;
use MintDoor\Core\Time\Time;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\Roster\Entity\Section;
use MintDoor\Roster\Repository\SectionNumbers;
use MintDoor\Roster\Repository\Sections;
use MintDoor\Shared\FieldErrors;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Said;
use MintDoor\Sites\Repository\Sites;

/** Makes, renames, orders and retires the sections of a site. Runs inside a transaction, under the site's lock. */
final readonly class SectionsHandler
{
    public const CHANGED = 'sections-changed';

    public function __construct(
        private Sections $sections,
        private SectionNumbers $numbers,
        private LeadsAlong $along,
        private Sites $sites,
        private History $history,
        private Ids $ids,
    ) {}

    /**
     * Nobody arranges sections who sees the people of some only; whether they see one another, and whether somebody may
     * be in several, is for who runs the site.
     *
     * @throws Problem of type `NotAllowed`
     */
    public static function assertMay(SiteAccess $access): void
    {
        $access->require(Permission::ArrangeSections, 'roster.not-arrange-sections');
        if (null !== $access->standing->sections) {
            throw Problem::notAllowed('roster.not-arrange-sections');
        }
    }

    /** @return int the sequence number of its history entry, 0 when nothing changed */
    public function change(SiteAccess $access, SectionsRequest $request): int
    {
        $site = $access->site;
        if ($request->apart !== $site->apart || $request->several !== $site->several) {
            $access->require(Permission::RunSite, 'roster.only-leads-apart');
        }
        $present = array_column($this->sections->all($site->id), null, 'id');
        $errors = new FieldErrors();
        $wanted = $names = [];
        foreach ($request->sections as $n => $each) {
            $id = $each->id ?? $this->ids->next();
            if (null !== $each->id && (!isset($present[$id]) || isset($wanted[$id]))) {
                $errors->add("sections/$n/id", 'unknown', 'shared.no-such-section');
                continue;
            }
            $name = Folding::fold(trim($each->name));
            if (!$each->retired && isset($names[$name])) {
                $errors->add("sections/$n/name", 'taken', 'roster.section-name-twice');
            }
            $names += $each->retired ? [] : [$name => true];
            $wanted[$id] = [
                'name' => trim($each->name),
                'meets' => trim($each->meets),
                'seats' => $each->seats,
                'fromAt' => null === $each->from ? Time::BEGINNING : $access->startOf($each->from, "/sections/$n/from"),
                'untilAt' =>
                    null === $each->until ? Time::FOREVER : $access->endOf($each->until, "/sections/$n/until"),
                'retired' => $each->retired,
                'place' => $n,
            ];
            if ($wanted[$id]['untilAt'] <= $wanted[$id]['fromAt']) {
                $errors->add("sections/$n/until", 'before-start', 'shared.last-day-before-first');
            }
            $this->checkFits($access, $id, $wanted[$id], $present[$id] ?? null, "sections/$n", $errors);
        }
        $errors->check();

        return $this->put($access, self::CHANGED, $wanted, $request->apart, $request->several);
    }

    /**
     * Puts the sections back to what they were before an entry of the history, unless they were changed since.
     *
     * @param array<string, mixed> $data of the entry
     */
    public function undo(SiteAccess $access, array $data, int $entry): int
    {
        $before = self::read($data['before'] ?? null);
        $after = self::read($data['after'] ?? null);
        if (self::read($this->kept($access)) != $after) {
            throw new Problem(ProblemType::ChangedSince, 'roster.sections-changed-since');
        }
        if ($before['apart'] !== $access->site->apart || $before['several'] !== $access->site->several) {
            $access->require(Permission::RunSite, 'roster.only-leads-apart');
        }
        $wanted = $before['sections'];
        // One that was made by it has nobody in it any more, or cannot go.
        foreach (array_diff_key($after['sections'], $wanted) as $id => $made) {
            $wanted[$id] = ['retired' => true] + $made;
        }
        $present = array_column($this->sections->all($access->site->id), null, 'id');
        $errors = new FieldErrors();
        foreach ($wanted as $id => $each) {
            $this->checkFits($access, $id, $each, $present[$id] ?? null, '', $errors);
        }
        if (!$errors->none()) {
            throw new Problem(ProblemType::ChangedSince, 'roster.sections-used-since');
        }
        $more = ['of' => self::CHANGED];
        $sequence = $this->put($access, 'undo', $wanted, $before['apart'], $before['several'], $more);
        $this->history->undone($access->site->id, $entry, $sequence);

        return $sequence;
    }

    /**
     * That nobody sits without a seat, and nobody is left in a section, or led into one, that is no more.
     *
     * @param array<string, mixed> $wanted
     */
    private function checkFits(
        SiteAccess $access,
        string $id,
        array $wanted,
        ?Section $present,
        string $field,
        FieldErrors $errors,
    ): void {
        if (null === $present) {
            return;
        }
        $seats = $wanted['seats'] ?? null;
        if (\is_int($seats) && (null === $present->seats || $seats < $present->seats)) {
            $held = $this->numbers->held($access->site->id, $id, $access->now);
            if ($seats < $held) {
                $errors->add("$field/seats", 'below-held', Said::with('roster.section-seats-held', n: $held));
            }
        }
        if (true === ($wanted['retired'] ?? false) && !$present->retired) {
            $in = $this->numbers->everIn($access->site->id, $id, $access->now);
            if ($in > 0) {
                $errors->add("$field/retired", 'not-empty', Said::with('roster.section-not-empty', n: $in));
            }
            $doors = [...$this->numbers->doorsTo($access->site->id, $id), ...$this->along->into($id)];
            if ([] !== $doors) {
                $said = Said::with('roster.section-has-door', door: $doors[0]);
                $errors->add("$field/retired", 'has-door', $said);
            }
        }
    }

    /**
     * @param array<string, array<string, mixed>> $wanted by id
     * @param array<string, mixed>                $more   for the history
     */
    private function put(
        SiteAccess $access,
        string $code,
        array $wanted,
        bool $apart,
        bool $several,
        array $more = [],
    ): int {
        $site = $this->sites->find($access->site->id) ?? throw Problem::notFound('site');
        $before = $this->kept($access);
        $present = array_column($this->sections->all($site->id), null, 'id');
        foreach ($wanted as $id => $values) {
            $section = $present[$id] ?? new Section($id, $site, '');
            $this->sections->put($section, $values);
            isset($present[$id]) || $this->sections->add($section);
        }
        $site->sectionsApart = $apart;
        $site->sectionsSeveral = $several;
        $this->sections->flush();
        $after = $this->kept($access, $apart, $several);
        if ($before == $after) {
            return 0;
        }
        ++$site->version;
        $this->sections->flush();

        return $this->history->write($site->id, $access->caller, new Happening(
            $code,
            ['before' => $before, 'after' => $after, ...$more],
        ));
    }

    /** @return array{apart: bool, several: bool, sections: array<string, array<string, mixed>>} for the history */
    private function kept(SiteAccess $access, ?bool $apart = null, ?bool $several = null): array
    {
        $kept = [];
        foreach ($this->sections->all($access->site->id) as $section) {
            $kept[$section->id] = [
                'name' => $section->name,
                'meets' => $section->meets,
                'seats' => $section->seats,
                'fromAt' => $section->fromAt,
                'untilAt' => $section->untilAt,
                'retired' => $section->retired,
                'place' => $section->place,
            ];
        }

        return [
            'apart' => $apart ?? $access->site->apart,
            'several' => $several ?? $access->site->several,
            'sections' => $kept,
        ];
    }

    /** @return array{apart: bool, several: bool, sections: array<string, array<string, mixed>>} as `kept()` */
    private static function read(mixed $kept): array
    {
        $kept = (array) $kept;
        $sections = [];
        foreach ((array) ($kept['sections'] ?? []) as $id => $each) {
            $values = [];
            foreach ((array) $each as $name => $value) {
                $values[(string) $name] = $value;
            }
            ksort($values);
            $sections[(string) $id] = $values;
        }
        ksort($sections);

        return [
            'apart' => true === ($kept['apart'] ?? false),
            'several' => true === ($kept['several'] ?? false),
            'sections' => $sections,
        ];
    }
}
