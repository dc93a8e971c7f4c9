<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** Whom a change of details or kinds of people is about: member `touched` of schema `SettingsPreview`. */
final readonly class TouchedBySettings
{
    /**
     * @param 'detail-gone'|'detail-readers'|'kind-roles' $how
     * @param string $name   of the detail or kind
     * @param int    $people of whom something is kept, or who are of it
     */
    public function __construct(public string $how, public string $name, public int $people) {}
}
