<?php

declare(strict_types=1);

namespace MintDoor\History;

use MintDoor\History\Repository\SecurityLogEntries;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Cursor;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\FromQuery;
use MintDoor\Shared\Page;
use MintDoor\Shared\Problem;
use MintDoor\Shared\SecurityLog;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The security log, for administrators: of their divisions, or all of it. */
final readonly class SecurityController
{
    private const PAGE = 60;

    private const MOST_EXPORTED = 50_000;

    public function __construct(private SecurityLogEntries $entries, private SecurityLog $log) {}

    #[Route('/security-log', name: 'security_log', methods: ['GET'])]
    public function list(#[FromQuery] SecurityFilter $filter, #[CurrentUser] Caller $caller): Response
    {
        $divisions = self::divisionsOf($caller);
        $cursor = Cursor::read($filter->cursor, 'security-log', 'i');
        $before = null === $cursor ? null : (int) $cursor->values[0];
        $rows = $this->entries->find($filter, $divisions, $before, self::PAGE + 1);
        $more = \count($rows) > self::PAGE;
        $rows = \array_slice($rows, 0, self::PAGE);

        return new Answer(
            new Page(
                array_map(static fn(SecurityLine $line): SecurityEntryShown => $line->shown(), $rows),
                $more ? Cursor::write('security-log', [$rows[self::PAGE - 1]->sequence]) : null,
            ),
        );
    }

    /** As JSON lines, the last first; that it was taken is a line of it. */
    #[Expensive]
    #[Route('/security-log/export', name: 'export_security_log', methods: ['POST'])]
    public function export(#[FromQuery] SecurityFilter $filter, #[CurrentUser] Caller $caller): Response
    {
        $lines = array_map(
            static fn(SecurityLine $line): string => json_encode(
                $line->shown(),
                \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE,
            )."\n",
            $this->entries->find($filter, self::divisionsOf($caller), null, self::MOST_EXPORTED),
        );
        $this->log->note('export', by: $caller->id, data: ['what' => 'security-log', 'lines' => \count($lines)]);

        return new Response(implode('', $lines), 200, [
            'Content-Type' => 'application/x-ndjson',
            'Content-Disposition' => 'attachment; filename="security-log.jsonl"',
            'Cache-Control' => 'no-store',
        ]);
    }

    /**
     * @return ?list<string> codes of the divisions somebody administers; null for all of them
     *
     * @throws Problem of type `NotAllowed`
     */
    private static function divisionsOf(Caller $caller): ?array
    {
        if (!$caller->isAdministrator()) {
            throw Problem::notAllowed('history.security-log-administrators');
        }

        return $caller->platformAdministrator ? null : $caller->divisions;
    }
}
