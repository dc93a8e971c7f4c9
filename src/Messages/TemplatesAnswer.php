<?php

declare(strict_types=1);

namespace MintDoor\Messages;

/** Schema `Templates`: the words of a site, a division or the platform. */
final readonly class TemplatesAnswer
{
    /**
     * @param string              $language  BCP 47, of these
     * @param list<string>        $languages those there may be texts in
     * @param list<TemplateShown> $items
     */
    public function __construct(
        public string $scope,
        public string $language,
        public array $languages,
        public array $items,
    ) {}
}
