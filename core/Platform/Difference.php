<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** One thing that two settings have otherwise. */
final readonly class Difference
{
    /**
     * @param 'platform'|'look'|'mail'|'labels'|'division'|'term'|'days-off'|'letterhead'|'registration'|'starter'
     *     |'detail'|'details'|'people-kind' $of
     * @param string                      $which  its name; empty for what there is once
     * @param 'made'|'changed'|'gone'     $how
     * @param list<FieldDifference>       $fields of what is changed
     */
    public function __construct(
        public string $of,
        public string $which,
        public string $how,
        public array $fields = [],
    ) {}
}
