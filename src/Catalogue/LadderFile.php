<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\Core\Posture\Ladder;
use LucidAscent\Core\Posture\Prerequisite;
use LucidAscent\Core\Posture\PropRule;
use LucidAscent\Core\Posture\Rung;
use LucidAscent\Core\Readiness\GateOutcome;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Helper;
use Opis\JsonSchema\Validator;
use Symfony\Component\Yaml\Exception\ParseException;
use Symfony\Component\Yaml\Yaml;

/**
 * One ladder as written in a YAML file, checked against its schema.
 *
 * @phpstan-type RungData array{id: string, name: string, gate: string, prop: array{rule: string, text: string}, hold: array{breaths: int, text: string}, compensations: list<array{id: string, text: string, see: string}>}
 * @phpstan-type LadderData array{id: string, name: string, entries: array<string, string>, prerequisites: list<array{id: string, name: string, why: string}>, rungs: non-empty-list<RungData>}
 */
final class LadderFile
{
    /**
     * @return LadderData
     *
     * @throws InvalidCatalogue with the file and the place in it
     */
    public static function read(string $file, string $schema): array
    {
        try {
            $data = Yaml::parseFile($file);
        } catch (ParseException $e) {
            throw InvalidCatalogue::in($file, $e->getMessage());
        }
        $result = (new Validator())->validate(Helper::toJSON($data), (string) file_get_contents($schema));
        $error = $result->error();
        if (null !== $error) {
            // The innermost complaint names the very place; those around it only repeat that something is wrong.
            while ([] !== $error->subErrors()) {
                $error = $error->subErrors()[0];
            }
            $place = implode('/', array_map(strval(...), $error->data()->fullPath()));
            throw InvalidCatalogue::in($file, sprintf('at "%s": %s', $place, (new ErrorFormatter())->formatErrorMessage($error)));
        }

        /** @var LadderData $data checked just now */
        return $data;
    }

    /** @param LadderData $data */
    public static function ladder(array $data): Ladder
    {
        $rungs = [];
        foreach ($data['rungs'] as $rung) {
            $rungs[] = new Rung($rung['id'], $rung['name'], GateOutcome::from($rung['gate']), PropRule::from($rung['prop']['rule']), $rung['hold']['text'], array_column($rung['compensations'], 'text', 'id'), $rung);
        }

        return new Ladder(
            $data['id'],
            $data['name'],
            $rungs,
            $data['entries'],
            array_map(static fn (array $p): Prerequisite => new Prerequisite($p['id'], $p['name'], $p['why']), $data['prerequisites']),
        );
    }
}
