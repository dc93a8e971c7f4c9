<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Platform\Settings;
use MintDoor\Core\Platform\SettingsChange;
use MintDoor\Core\Platform\SettingsLaws;
use MintDoor\Core\Platform\SettingsProblem;
use MintDoor\Core\Platform\SettingsUse;
use MintDoor\Core\Platform\Term;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Desk\Repository\SettingsInUse;
use MintDoor\Doors\Starters;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\People\Repository\Administrations;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Platform\SettingsCodec;
use MintDoor\Roles\Roles;
use MintDoor\Shared\Caller;
use MintDoor\Shared\IfMatch;
use MintDoor\Shared\Languages;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;

/** Says what other settings would do, and puts them in force. */
final readonly class SettingsHandler
{
    public function __construct(
        private PlatformSettings $settings,
        private SettingsInUse $inUse,
        private Administrations $administrations,
        private Languages $languages,
        private PlatformClock $clock,
        private History $history,
        private Roles $roles,
        private Starters $starters,
    ) {}

    /**
     * @param array<array-key, mixed> $data schema `Settings`
     *
     * @throws Problem of type `Invalid` when something in it is not understood
     */
    public function understand(array $data): Settings
    {
        // What it does not speak of stays as it is.
        $data = [...SettingsCodec::write($this->settings->read()), ...$data];
        $settings = SettingsCodec::read($data);
        $plain = static function (array $data): array {
            $rows = array_column(array_filter((array) ($data['divisions'] ?? []), is_array(...)), null, 'code');
            ksort($rows);

            return [...$data, 'divisions' => $rows];
        };
        $written = $plain(SettingsCodec::write($settings));
        // A file of before may not know of something; whatever it says is kept as it says it.
        if (
            array_replace_recursive($written, $plain($data)) != $written
            || \count((array) ($data['divisions'] ?? [])) !== \count($written['divisions'])
        ) {
            throw Problem::field('/settings', 'not-understood', 'desk.something-these-settings-not');
        }

        return $settings;
    }

    /**
     * What putting other settings in force would do. Changes nothing.
     *
     * @param ?RoleBook $roles that are put in force with them; null for those that hold
     */
    public function preview(Settings $after, ?RoleBook $roles = null): SettingsPreview
    {
        $before = $this->settings->read();
        $use = $this->inUse->now(
            array_column($after->starters, 'site'),
            ($roles ?? $this->roles->book())->known(),
        );

        return new SettingsPreview(
            problems: array_map(
                static fn(SettingsProblem $problem): array => [
                    'where' => $problem->where,
                    'code' => $problem->code,
                    'values' => (object) $problem->values,
                ],
                SettingsLaws::check($before, $after, $use, $this->languages->offered()),
            ),
            differences: (new SettingsChange($before, $after))->differences(),
            reach: $this->reachMoved($before->divisions, $after->divisions),
            sites: self::sitesOfMovedTerms($before, $after, $use),
            version: $this->settings->version(),
            look: LookAnswer::of($after, $after->name),
            starters: $this->starters->would($after),
            touched: self::touched($before, $after, $use),
        );
    }

    /** Nobody else changes settings before the transaction ends. */
    public function lock(): void
    {
        $this->inUse->lock();
        $this->settings->reset();
    }

    /**
     * Puts settings in force. Runs inside a transaction.
     *
     * @param ?IfMatch $seen the version that the caller saw, held against the one that holds, under the lock; null
     *                       where what holds was looked at under it
     * @param ?RoleBook $roles that are put in force with them; null for those that hold
     *
     * @throws Problem of type `NotReady` when the laws of the settings do not allow it
     */
    public function apply(
        Settings $after,
        Caller $caller,
        ?IfMatch $seen,
        ?RoleBook $roles = null,
    ): SettingsPreview {
        $this->lock();
        $version = $this->settings->version();
        $seen?->assert($version);
        $preview = $this->preview($after, $roles);
        if ([] !== $preview->problems) {
            throw new Problem(
                ProblemType::NotReady,
                'desk.these-settings-cannot-see',
                more: ['problems' => $preview->problems],
            );
        }
        if ([] === $preview->differences) {
            return $preview;
        }
        $made = $this->settings->putInForce($after, $caller->id, $this->clock->instant());
        $this->history->write(
            History::PLATFORM,
            $caller,
            new Happening('settings-changed', ['version' => $made, 'before' => $made - 1]),
        );

        return $preview->inForce($made);
    }

    /** @return list<TouchedBySettings> */
    private static function touched(Settings $before, Settings $after, SettingsUse $use): array
    {
        $touched = [];
        $details = array_column($after->details, null, 'code');
        foreach ($before->details as $was) {
            $is = $details[$was->code] ?? null;
            $people = array_sum($use->details[$was->code] ?? []);
            $how = match (true) {
                null === $is => 'detail-gone',
                [$was->seenBy, $was->changedBy] != [$is->seenBy, $is->changedBy] => 'detail-readers',
                default => null,
            };
            if (null !== $how && $people > 0) {
                $touched[] = new TouchedBySettings($how, $was->name, $people);
            }
        }
        $kinds = array_column($after->kinds, null, 'code');
        foreach ($before->kinds as $was) {
            $people = $use->kinds[$was->code] ?? 0;
            if ($people > 0 && isset($kinds[$was->code]) && $kinds[$was->code]->roles !== $was->roles) {
                $touched[] = new TouchedBySettings('kind-roles', $was->name, $people);
            }
        }

        return $touched;
    }

    /** @return list<ReachMoved> by name */
    private function reachMoved(DivisionTree $before, DivisionTree $after): array
    {
        $moved = [];
        $name = static fn(string $code): string => $after->find($code)->name ?? $before->find($code)->name ?? $code;
        foreach ($this->administrations->named() as ['name' => $who, 'divisions' => $codes]) {
            $had = $before->reach($codes);
            $has = $after->reach($codes);
            $also = array_map($name, array_values(array_diff($has, $had)));
            $not = array_map($name, array_values(array_diff($had, $has)));
            if ([] !== $also || [] !== $not) {
                $moved[] = new ReachMoved($who, $also, $not);
            }
        }

        return $moved;
    }

    private static function sitesOfMovedTerms(Settings $before, Settings $after, SettingsUse $use): int
    {
        $days = static fn(Term $term): array => [$term->startsOn, $term->endsOn];
        $were = array_column($before->terms, null, 'code');
        $sites = 0;
        foreach ($after->terms as $term) {
            if (isset($were[$term->code]) && $days($were[$term->code]) !== $days($term)) {
                $sites += $use->terms[$term->code] ?? 0;
            }
        }

        return $sites;
    }
}
