<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Core\Messages\FirstTemplates;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Messages\Template;
use MintDoor\Messages\Repository\Templates;
use MintDoor\Shared\Id;
use MintDoor\Sites\Repository\Divisions;

/** The templates of messages: a site's own, its division's, the platform's, or those the platform began with. */
final readonly class Texts
{
    public function __construct(private Templates $templates, private Divisions $divisions) {}

    /**
     * The one that is used.
     *
     * @param ?string $site     id
     * @param ?string $division code
     */
    public function nearest(MessageKind $kind, ?string $site, ?string $division): TextInUse
    {
        foreach ($this->of($kind, $site, $division) as $scope => $id) {
            $own = $this->templates->own($kind->value, $id);
            if (null !== $own) {
                return new TextInUse(new Template($own->subject, $own->body), $scope);
            }
        }

        return new TextInUse(FirstTemplates::of($kind), 'first');
    }

    /**
     * Whose templates may be used, the nearest first.
     *
     * @return array<'site'|'division'|'platform', string> id by scope
     */
    public function of(MessageKind $kind, ?string $site, ?string $division): array
    {
        $ids = [
            'site' => $site,
            'division' => null === $division ? null : $this->divisions->withCode($division)?->id,
            'platform' => Id::NONE,
        ];

        return array_filter(array_intersect_key($ids, array_flip($kind->scopes())), is_string(...));
    }
}
