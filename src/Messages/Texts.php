<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Core\Messages\FirstTemplates;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Messages\Template;
use MintDoor\Shared\Id;
use MintDoor\Shared\Row;
use MintDoor\Sites\Divisions;

/** The templates of messages: a site's own, its division's, the platform's, or those the platform began with. */
final readonly class Texts
{
    public function __construct(private Connection $db, private Divisions $divisions) {}

    /**
     * The one that is used.
     *
     * @param ?string $site     id
     * @param ?string $division code
     *
     * @return array{Template, 'site'|'division'|'platform'|'first'} and whose it is
     */
    public function nearest(MessageKind $kind, ?string $site, ?string $division): array
    {
        $of = $this->of($kind, $site, $division);
        $rows = [];
        foreach (
            Row::all(
                $this->db->fetchAllAssociative(
                    'SELECT of_id, subject, body FROM message_template WHERE kind = ? AND of_id IN (?)',
                    [$kind->value, array_map(Id::binary(...), array_values($of))],
                    [1 => ArrayParameterType::BINARY],
                ),
            ) as $row
        ) {
            $rows[$row->id('of_id')] = $row;
        }
        foreach ($of as $scope => $id) {
            if (isset($rows[$id])) {
                return [new Template($rows[$id]->string('subject'), $rows[$id]->string('body')), $scope];
            }
        }

        return [FirstTemplates::of($kind), 'first'];
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
            'division' => null === $division ? null : $this->divisions->all()[$division]['id'] ?? null,
            'platform' => Id::NONE,
        ];

        return array_filter(array_intersect_key($ids, array_flip($kind->scopes())), is_string(...));
    }
}
