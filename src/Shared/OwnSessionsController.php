<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Doctrine\DBAL\Connection;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Where one is signed in, and ending it: this place or that, or all others. */
final readonly class OwnSessionsController
{
    /** Bytes of what a session is kept under that name it here; they open nothing. */
    private const NAMED = 16;

    public function __construct(private Connection $db, private SecurityLog $log) {}

    #[Route('/me/sessions', name: 'own_sessions', methods: ['GET'])]
    public function all(Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->answer($request, $caller);
    }

    /** Ends all but this one. */
    #[Route('/me/sessions', name: 'end_other_sessions', methods: ['DELETE'])]
    public function endOthers(Request $request, #[CurrentUser] Caller $caller): Response
    {
        $this->db->executeStatement('DELETE FROM session WHERE person_id = ? AND id <> ?', [
            Id::binary($caller->id),
            $this->own($request),
        ]);
        $this->log->note('own-sessions-ended', $caller->id, by: $caller->id);

        return $this->answer($request, $caller);
    }

    #[Route(
        '/me/sessions/{session}',
        name: 'end_own_session',
        requirements: ['session' => '[0-9a-f]{32}'],
        methods: ['DELETE'],
    )]
    public function end(string $session, Request $request, #[CurrentUser] Caller $caller): Response
    {
        $ended = $this->db->executeStatement(
            'DELETE FROM session WHERE person_id = ? AND SUBSTRING(id, 1, '.self::NAMED.') = ?',
            [Id::binary($caller->id), hex2bin($session)],
        );
        if (1 !== (int) $ended) {
            throw Problem::notFound('This session');
        }
        $this->log->note('own-sessions-ended', $caller->id, by: $caller->id);

        return $this->answer($request, $caller);
    }

    private function answer(Request $request, Caller $caller): Answer
    {
        $own = $this->own($request);
        $rows = Row::all(
            $this->db->fetchAllAssociative(
                'SELECT id, touched_at, made_at, ends_at, address, device FROM session
             WHERE person_id = ? AND ends_at > UTC_TIMESTAMP() AND touched_at > UTC_TIMESTAMP() - INTERVAL ? SECOND
             ORDER BY touched_at DESC LIMIT 100',
                [Id::binary($caller->id), SessionStore::LASTS],
            ),
        );

        return new Answer([
            'items' => array_map(
                static fn(Row $row): array => [
                    'id' => bin2hex(substr($row->string('id'), 0, self::NAMED)),
                    'current' => hash_equals($row->string('id'), $own),
                    'madeAt' => Instant::toJson($row->instant('made_at')),
                    'usedAt' => Instant::toJson($row->instant('touched_at')),
                    'endsAt' => Instant::toJson(
                        min($row->instant('ends_at'), $row->instant('touched_at') + SessionStore::LASTS),
                    ),
                    'place' => (string) $row->stringOrNull('address'),
                    'device' => $row->string('device'),
                ],
                $rows,
            ),
        ]);
    }

    private function own(Request $request): string
    {
        return SessionStore::hash($request->getSession()->getId());
    }
}
