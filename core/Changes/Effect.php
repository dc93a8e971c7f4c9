<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

use MintDoor\Core\Ids;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\Override;
use MintDoor\Core\Roster\OverrideKind;
use MintDoor\Core\Time\Window;

/**
 * The smallest thing a change does to what is stored: a grant given, an override put on, an override ended. Nothing is
 * ever deleted or overwritten, and every effect has a reverse that is an effect again.
 */
final readonly class Effect
{
    private function __construct(
        public EffectKind $kind,
        public ?Grant $grant = null,
        public ?string $grantId = null,
        public ?Override $override = null,
        public int $at = 0,
        public ?string $by = null,
    ) {}

    public static function giveGrant(Grant $grant): self
    {
        return new self(EffectKind::GiveGrant, grant: $grant, grantId: $grant->id);
    }

    /** @param ?string $grantId null for an override on the whole enrollment */
    public static function putOverride(?string $grantId, Override $override): self
    {
        return new self(EffectKind::PutOverride, grantId: $grantId, override: $override);
    }

    /**
     * @param ?string $grantId null for an override on the whole enrollment
     * @param Override    $override   as it was; what was put on again in its place is ended with it
     * @param ?string $by     id of who ends it
     */
    public static function endOverride(?string $grantId, Override $override, int $at, ?string $by = null): self
    {
        return new self(EffectKind::EndOverride, grantId: $grantId, override: $override, at: $at, by: $by);
    }

    /** @param list<self> $effects in order */
    public static function applied(array $effects, Enrollment $enrollment): Enrollment
    {
        foreach ($effects as $effect) {
            $enrollment = $effect->on($enrollment);
        }

        return $enrollment;
    }

    public function on(Enrollment $enrollment): Enrollment
    {
        if (EffectKind::GiveGrant === $this->kind && null !== $this->grant) {
            return new Enrollment([...$enrollment->grants, $this->grant], $enrollment->overrides);
        }
        if (null === $this->grantId) {
            return new Enrollment($enrollment->grants, $this->onOverrides($enrollment->overrides));
        }

        return new Enrollment(
            array_map(
                fn(Grant $grant): Grant => $grant->id === $this->grantId
                    ? $grant->withOverrides($this->onOverrides($grant->overrides))
                    : $grant,
                $enrollment->grants,
            ),
            $enrollment->overrides,
        );
    }

    /**
     * What takes this back from an instant on.
     *
     * @param int     $height of whoever takes it back (`Override`)
     * @param ?string $by     their id
     */
    public function reversed(int $now, Ids $ids, int $height = 0, ?string $by = null): self
    {
        $again = null === $this->override ? null : new Window($now, max($now, $this->override->window->until));

        return match (true) {
            EffectKind::GiveGrant === $this->kind || null === $this->override || null === $again => self::putOverride(
                $this->grantId,
                new Override($ids->next(), OverrideKind::Undone, new Window($now), height: $height, putBy: $by),
            ),
            EffectKind::PutOverride === $this->kind => self::endOverride($this->grantId, $this->override, $now, $by),
            default => self::putOverride($this->grantId, $this->override->again($ids->next(), $again)),
        };
    }

    /**
     * @param list<Override> $overrides
     *
     * @return list<Override>
     */
    private function onOverrides(array $overrides): array
    {
        if (EffectKind::PutOverride === $this->kind && null !== $this->override) {
            return [...$overrides, $this->override];
        }

        return array_map(
            fn(Override $override): Override => $override->origin === $this->override?->origin
                ? $override->endedAt($this->at, $this->by)
                : $override,
            $overrides,
        );
    }
}
