<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

/** What is wanted for one person. */
final readonly class LineWanted
{
    /** @param string $person id */
    public function __construct(public string $person, public Wanted $wanted) {}

    /** Whoever is to be let in to a section, and is here already in the same role, is put into it. */
    public function asTheyAre(ChangeListContext $context): self
    {
        $wanted = $this->wanted;
        $present = ($context->enrollments[$this->person] ?? null)?->timeline()->at($context->now);
        $same = null === $wanted->role || [$wanted->role] === $present?->roles;
        $into = Verb::LetIn === $wanted->verb && null !== $wanted->section && true === $present?->state->here();

        return !$into || !$same || $present->inSection((string) $wanted->section)
            ? $this
            : new self($this->person, new Wanted(Verb::PutInSection, section: $wanted->section, clash: $wanted->clash));
    }
}
