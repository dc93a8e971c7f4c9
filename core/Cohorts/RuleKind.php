<?php

declare(strict_types=1);

namespace MintDoor\Core\Cohorts;

/** What a part of a rule is about. */
enum RuleKind: string
{
    case Kinds = 'kinds';
    case Divisions = 'divisions';
    case Levels = 'levels';
    case Labels = 'labels';
    /** Being in a site or one of its sections, with a role or any. */
    case In = 'in';
    case Cohort = 'cohort';
    /** Its parts are joined by "and". */
    case All = 'all';
    /** Its parts are joined by "or". */
    case Any = 'any';
    /** Its only part does not hold. */
    case Not = 'not';

    public function joins(): bool
    {
        return self::All === $this || self::Any === $this || self::Not === $this;
    }
}
