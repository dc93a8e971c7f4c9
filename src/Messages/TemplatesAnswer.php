<?php

declare(strict_types=1);

namespace MintDoor\Messages;

/** Schema `Templates`: the words of a site, a division or the platform. */
final readonly class TemplatesAnswer
{
    /** @param list<TemplateShown> $items */
    public function __construct(public string $scope, public array $items) {}
}
