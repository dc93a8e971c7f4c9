<?php

declare(strict_types=1);

namespace MintDoor\Platform;

use MintDoor\Core\Platform\DaysOff as DaysOffSet;
use MintDoor\Core\Platform\Settings;
use MintDoor\Core\Platform\Term as TermSet;
use MintDoor\Platform\Entity\DaysOff;
use MintDoor\Platform\Entity\SettingsVersion;
use MintDoor\Platform\Entity\Term;
use MintDoor\Platform\Repository\AllDaysOff;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Platform\Repository\SettingsVersions;
use MintDoor\Platform\Repository\Terms;
use MintDoor\Shared\Ids;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Contracts\Service\ResetInterface;

/**
 * The settings of the platform: read from where they are in use, put in force there, and each version kept. On a
 * platform on which nobody set anything its name is that of its environment.
 */
final class PlatformSettings implements ResetInterface
{
    private ?Settings $settings = null;

    private ?Settings $asPut = null;

    /** Which version holds, with a sum of what it says, as it was said or asked; null while nobody knows. */
    private ?string $holding = null;

    public function __construct(
        private readonly Divisions $divisions,
        private readonly Terms $terms,
        private readonly AllDaysOff $daysOff,
        private readonly SettingsVersions $versions,
        private readonly Ids $ids,
        #[Autowire('%env(MINT_DOOR_NAME)%')] private readonly string $nameUnlessSet,
    ) {}

    public function read(): Settings
    {
        return $this->settings ??= $this->kept() ?? $this->keep($this->inUse());
    }

    /**
     * Whoever has read which version holds says so, and it is not asked again.
     *
     * @param ?string $holding as `SettingsVersions::HOLDING`
     */
    public function expect(?string $holding): void
    {
        if (null !== $this->holding && $holding !== $this->holding) {
            $this->reset();
        }
        $this->holding = $holding;
    }

    /** What this machine keeps of the version that holds: none becomes another, and only a new one changes what is. */
    private function kept(): ?Settings
    {
        $this->holding ??= $this->versions->holding();
        $kept = null !== $this->holding && apcu_enabled() ? apcu_fetch($this->key($this->holding)) : null;

        return $kept instanceof Settings ? $kept : null;
    }

    private function keep(Settings $settings): Settings
    {
        // What was read while another version was put in force is half of one and half of the other.
        if (null !== $this->holding && apcu_enabled() && $this->versions->holding() === $this->holding) {
            apcu_store($this->key($this->holding), $settings, 3_600);
        }

        return $settings;
    }

    private function key(string $holding): string
    {
        return implode('.', ['mint-door.settings', $this->versions->database(), $holding]);
    }

    private function inUse(): Settings
    {
        // What stands in no table of its own is that of the version that holds.
        $kept = $this->asPut();

        return new Settings(
            $this->name(),
            $this->divisions->tree(),
            array_map(
                static fn(Term $term): TermSet => new TermSet(
                    $term->code,
                    $term->name,
                    $term->startsOn,
                    $term->endsOn,
                    $term->division?->code,
                ),
                $this->terms->all(),
            ),
            array_map(
                static fn(DaysOff $days): DaysOffSet => new DaysOffSet(
                    $days->name,
                    $days->fromOn,
                    $days->untilOn,
                    $days->division?->code,
                ),
                $this->daysOff->all(),
            ),
            $kept->look,
            $kept->mail,
            $kept->letterheads,
            $kept->registrations,
            $kept->starters,
            $kept->labels,
            $kept->details,
            $kept->kinds,
        );
    }

    /**
     * The settings as they were put in force, in one statement: for what every page asks of them, as its look. On a
     * platform on which nobody set anything they are empty.
     */
    public function asPut(): Settings
    {
        return $this->asPut ??= SettingsCodec::read($this->versions->last()->settings ?? []);
    }

    /** The settings of one version, which never become others; empty ones for a version that is not there. */
    public function of(int $version): Settings
    {
        return SettingsCodec::read($this->versions->find($version)->settings ?? []);
    }

    /** @return \Closure(string): bool whether a day, as year-month-day, is off in a division */
    public function offIn(string $division): \Closure
    {
        $settings = $this->read();

        return static fn(string $day): bool => null !== $settings->offOn($day, $division);
    }

    /** Of the settings that hold; 0 where nobody set anything yet. */
    public function version(): int
    {
        return $this->versions->last()->version ?? 0;
    }

    /** Id of who put them in force; null where nobody set anything yet. */
    public function by(): ?string
    {
        return $this->versions->last()?->madeBy;
    }

    /** What the platform is called by its people. */
    public function name(): string
    {
        return $this->isNamed() ? $this->nameSet() : $this->nameUnlessSet;
    }

    /** Whether somebody gave it a name. */
    public function isNamed(): bool
    {
        return '' !== $this->nameSet() && $this->nameSet() !== $this->nameUnlessSet;
    }

    private function nameSet(): string
    {
        return $this->asPut()->name;
    }

    /**
     * Puts settings that keep the laws in force. Runs inside a transaction.
     *
     * @param string $by id of a person
     *
     * @return int the version they are
     */
    public function putInForce(Settings $settings, string $by, int $at): int
    {
        $version = $this->version();
        if (0 === $version) {
            // What was there before is kept, so that it can be put back.
            $version = 1;
            $this->versions->add(new SettingsVersion($version, $at, null, SettingsCodec::write($this->read())));
        }
        $this->divisions->become($settings->divisions);
        $this->becomeTerms($settings);
        $this->becomeDaysOff($settings);
        $this->divisions->dropAllBut($settings->divisions);
        $this->versions->add(new SettingsVersion($version + 1, $at, $by, SettingsCodec::write($settings)));
        $this->versions->flush();
        $this->reset();

        return $version + 1;
    }

    public function reset(): void
    {
        $this->settings = $this->asPut = $this->holding = null;
    }

    private function becomeTerms(Settings $settings): void
    {
        $there = array_column($this->terms->all(), null, 'code');
        $divisions = $this->divisions->all();
        foreach ($settings->terms as $set) {
            $term = $there[$set->code]
                ?? new Term($this->ids->next(), $set->code, $set->name, $set->startsOn, $set->endsOn);
            $term->name = $set->name;
            $term->startsOn = $set->startsOn;
            $term->endsOn = $set->endsOn;
            $term->division = $divisions[$set->division ?? ''] ?? null;
            $this->terms->add($term);
            unset($there[$set->code]);
        }
        foreach ($there as $gone) {
            $this->terms->remove($gone);
        }
        $this->terms->flush();
    }

    /** Nothing points to them: they are written anew. */
    private function becomeDaysOff(Settings $settings): void
    {
        foreach ($this->daysOff->all() as $gone) {
            $this->daysOff->remove($gone);
        }
        $divisions = $this->divisions->all();
        foreach ($settings->daysOff as $set) {
            $of = $divisions[$set->division ?? ''] ?? null;
            $this->daysOff->add(new DaysOff($this->ids->next(), $set->name, $set->from, $set->until, $of));
        }
        $this->daysOff->flush();
    }
}
