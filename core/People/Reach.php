<?php

declare(strict_types=1);

namespace MintDoor\Core\People;

/**
 * Whose directory: what somebody may see of the people there. Everybody of one's reach in full; beyond it name, kind,
 * division and a masked number; minors beyond it only when they are named by an exact identifier.
 */
final readonly class Reach
{
    /**
     * @param list<string> $divisions codes of the divisions within reach
     * @param list<string> $minors    codes of the divisions whose learners are minors
     */
    public function __construct(public bool $everything, public array $divisions, public array $minors) {}

    /** @param bool $namedExactly by their number or address in full; a login is no proof that one knows somebody */
    public function visibility(Person $person, bool $namedExactly): PersonVisibility
    {
        return match (true) {
            $this->within($person) => PersonVisibility::Full,
            $this->minor($person) && !$namedExactly => PersonVisibility::Hidden,
            default => PersonVisibility::Masked,
        };
    }

    public function within(Person $person): bool
    {
        return $this->everything || \in_array($person->division, $this->divisions, true);
    }

    public function minor(Person $person): bool
    {
        return PersonKind::Learner === $person->kind && \in_array($person->division, $this->minors, true);
    }

    /** A number of which only the last three characters stay readable. */
    public static function masked(string $number): string
    {
        $shown = min(3, max(1, mb_strlen($number) - 1));

        return str_repeat('•', mb_strlen($number) - $shown).mb_substr($number, -$shown);
    }
}
