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
 * The smallest thing a change does to what is stored: a pass given, a mark put on, a mark ended. Nothing is ever
 * deleted or overwritten, and every effect has a reverse that is an effect again.
 */
final readonly class Effect
{
    private function __construct(
        public EffectKind $kind,
        public ?Grant $pass = null,
        public ?string $passId = null,
        public ?Override $mark = null,
        public int $at = 0,
        public ?string $by = null,
    ) {}

    public static function givePass(Grant $pass): self
    {
        return new self(EffectKind::GivePass, pass: $pass, passId: $pass->id);
    }

    /** @param ?string $passId null for a mark on the whole enrollment */
    public static function putMark(?string $passId, Override $mark): self
    {
        return new self(EffectKind::PutMark, passId: $passId, mark: $mark);
    }

    /**
     * @param ?string $passId null for a mark on the whole enrollment
     * @param Override    $mark   as it was; what was put on again in its place is ended with it
     * @param ?string $by     id of who ends it
     */
    public static function endMark(?string $passId, Override $mark, int $at, ?string $by = null): self
    {
        return new self(EffectKind::EndMark, passId: $passId, mark: $mark, at: $at, by: $by);
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
        if (EffectKind::GivePass === $this->kind && null !== $this->pass) {
            return new Enrollment([...$enrollment->passes, $this->pass], $enrollment->marks);
        }
        if (null === $this->passId) {
            return new Enrollment($enrollment->passes, $this->onMarks($enrollment->marks));
        }

        return new Enrollment(
            array_map(
                fn(Grant $pass): Grant => $pass->id === $this->passId
                    ? $pass->withMarks($this->onMarks($pass->marks))
                    : $pass,
                $enrollment->passes,
            ),
            $enrollment->marks,
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
        $again = null === $this->mark ? null : new Window($now, max($now, $this->mark->window->until));

        return match (true) {
            EffectKind::GivePass === $this->kind || null === $this->mark || null === $again => self::putMark(
                $this->passId,
                new Override($ids->next(), OverrideKind::Undone, new Window($now), height: $height, putBy: $by),
            ),
            EffectKind::PutMark === $this->kind => self::endMark($this->passId, $this->mark, $now, $by),
            default => self::putMark($this->passId, $this->mark->again($ids->next(), $again)),
        };
    }

    /**
     * @param list<Override> $marks
     *
     * @return list<Override>
     */
    private function onMarks(array $marks): array
    {
        if (EffectKind::PutMark === $this->kind && null !== $this->mark) {
            return [...$marks, $this->mark];
        }

        return array_map(
            fn(Override $mark): Override => $mark->origin === $this->mark?->origin
                ? $mark->endedAt($this->at, $this->by)
                : $mark,
            $marks,
        );
    }
}
