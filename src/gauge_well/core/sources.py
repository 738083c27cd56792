"""The bibliography. Cited as ``key`` or ``key, locator``; a test fails on unknown and unused keys."""

from __future__ import annotations

COMMON_PRACTICE = "common practice"
ARITHMETIC = "arithmetic"
STATED = "stated"  # the builder says so: there is nothing to work

BIBLIOGRAPHY: dict[str, str] = {
    "gilbert1988": (
        "E. G. Gilbert, D. W. Johnson, S. S. Keerthi, A fast procedure for computing the distance between complex "
        "objects in three-dimensional space, IEEE J. Robotics Autom. 4 (1988) 193-203. From memory."
    ),
    "gottschalk1996": (
        "S. Gottschalk, Separating axis theorem, Technical Report TR96-024, University of North Carolina, 1996. From "
        "memory."
    ),
    "pert1959": (
        "D. G. Malcolm, J. H. Roseboom, C. E. Clark, W. Fazar, Application of a technique for research and development "
        "program evaluation, Oper. Res. 7 (1959) 646-669. From memory."
    ),
    "kolisch1996": (
        "R. Kolisch, Serial and parallel resource-constrained project scheduling methods revisited, Eur. J. Oper. Res. 90 "
        "(1996) 320-333. From memory."
    ),
    "hart1968": (
        "P. E. Hart, N. J. Nilsson, B. Raphael, A formal basis for the heuristic determination of minimum cost paths, IEEE "
        "Trans. Syst. Sci. Cybern. 4 (1968) 100-107. From memory."
    ),
    "vanslyke1963": (
        "R. M. Van Slyke, Monte Carlo methods and the PERT problem, Oper. Res. 11 (1963) 839-860. From memory."
    ),
    "saltelli2010": (
        "A. Saltelli, P. Annoni, I. Azzini, F. Campolongo, M. Ratto, S. Tarantola, Variance based sensitivity analysis "
        "of model output, Comput. Phys. Commun. 181 (2010) 259-270. From memory."
    ),
    "mckay1979": (
        "M. D. McKay, R. J. Beckman, W. J. Conover, A comparison of three methods for selecting values of input "
        "variables in the analysis of output from a computer code, Technometrics 21 (1979) 239-245. From memory."
    ),
    "iso6722": "ISO 6722, Road vehicles: 60 V and 600 V single-core cables: most resistance by area. From memory.",
    "graham1998": "R. L. Graham, B. D. Lubachevsky, K. J. Nurmela, P. R. J. Ostergard, Dense packings of congruent circles in a circle, Discrete Math. 181 (1998) 139-154. From memory.",
    "unr39": "UN Regulation No. 39, Uniform provisions: speedometer equipment: shown speed over true speed. From memory.",
    "iec60063": "IEC 60063, Preferred number series for resistors and capacitors. From memory.",
    "iso261": "ISO 261, ISO general purpose metric screw threads: general plan; ISO 68-1, basic profile. From memory.",
    "iso7": "ISO 7-1, Pipe threads where pressure-tight joints are made on the threads. From memory.",
    "iso228": "ISO 228-1, Pipe threads where pressure-tight joints are not made on the threads. From memory.",
    "asme b1.20.1": "ASME B1.20.1, Pipe threads, general purpose (inch). From memory.",
    "asme b1.1": "ASME B1.1, Unified inch screw threads. From memory.",
    "iso8854": "ISO 8854, Road vehicles: alternators with regulators: rating at two speeds of the rotor. From memory.",
    "iso10133": "ISO 10133, Small craft: extra-low-voltage d.c. installations: amps by area. From memory.",
    "gerr1989": "D. Gerr, Propeller Handbook, International Marine, 1989. From memory.",
    "zuber1965": (
        "N. Zuber, J. A. Findlay, Average volumetric concentration in two-phase flow systems, J. Heat Transfer 87 (1965) "
        "453-468. From memory."
    ),
    "muller1986": (
        "H. Müller-Steinhagen, K. Heck, A simple friction pressure drop correlation for two-phase flow in pipes, Chem. Eng. "
        "Process. 20 (1986) 297-308. From memory."
    ),
    "wallis1969": "G. B. Wallis, One-dimensional Two-phase Flow, McGraw-Hill, 1969. From memory.",
    "cfr33_183": (
        "Code of Federal Regulations, Title 33, Part 183, subpart K: ventilation of petrol-engined boats. From memory."
    ),
    "lange1989": (
        "K. L. Lange, R. J. A. Little, J. M. G. Taylor, Robust statistical modeling using the t distribution, Journal of "
        "the American Statistical Association 84 (1989) 881-896. From memory."
    ),
    "sinnott1984": ("R. W. Sinnott, Virtues of the haversine, Sky and Telescope 68 (1984) 158. From memory."),
    "heywood1988": ("J. B. Heywood, Internal Combustion Engine Fundamentals, McGraw-Hill, 1988. Cited from memory."),
    "incropera2007": (
        "F. P. Incropera, D. P. DeWitt, T. L. Bergman, A. S. Lavine, Fundamentals of Heat and "
        "Mass Transfer, 6th ed., Wiley, 2007. Cited from memory."
    ),
    "kays1984": "W. M. Kays, A. L. London, Compact Heat Exchangers, 3rd ed., 1984. From memory.",
    "mason1955": (
        "J. L. Mason, Heat transfer in crossflow, Proc. 2nd US National Congress of Applied "
        "Mechanics, 1955: the exact series for both streams unmixed. From memory."
    ),
    "chang1997": (
        "Y.-J. Chang, C.-C. Wang, A generalized heat transfer correlation for louver fin geometry, "
        "Int. J. Heat Mass Transfer 40 (1997) 533-544. From memory."
    ),
    "chang2000": (
        "Y.-J. Chang, K.-C. Hsu, Y.-T. Lin, C.-C. Wang, A generalized friction correlation for "
        "louver fin geometry, Int. J. Heat Mass Transfer 43 (2000) 2237-2243. From memory."
    ),
    "chang2006": (
        "Y.-J. Chang, W.-J. Chang, M.-C. Li, C.-C. Wang, An amendment of the generalized friction "
        "correlation for louver fin geometry, Int. J. Heat Mass Transfer 49 (2006) 4250-4253. "
        "From memory."
    ),
    "wang2000": (
        "C.-C. Wang, K.-Y. Chi, C.-J. Chang, Heat transfer and friction characteristics of plain fin-and-tube heat "
        "exchangers, part II: Correlation, Int. J. Heat Mass Transfer 43 (2000) 2693-2700. From memory."
    ),
    "schmidt1949": (
        "Th. E. Schmidt, Heat transfer calculations for extended surfaces, Refrigerating Engineering 57 (1949) "
        "351-357. From memory."
    ),
    "gnielinski1976": (
        "V. Gnielinski, New equations for heat and mass transfer in turbulent pipe and channel "
        "flow, Int. Chem. Eng. 16 (1976) 359-368. From memory."
    ),
    "shah1978": (
        "R. K. Shah, A. L. London, Laminar Flow Forced Convection in Ducts, Academic Press, 1978. From memory."
    ),
    "churchill1977": (
        "S. W. Churchill, Friction factor equation spans all fluid flow regimes, Chem. Eng. 84 "
        "(1977) 91-92. From memory."
    ),
    "hooper1981": (
        "W. B. Hooper, The two-K method predicts head losses in pipe fittings, Chemical Engineering, 24 Aug 1981, "
        "p. 96. From memory."
    ),
    "sae_j300": "SAE J300, Engine oil viscosity classification. From memory.",
    "iec60028": "IEC 60028:1925, International standard of resistance for copper. From memory.",
    "iso1585": ("ISO 1585:1992, Road vehicles: engine test code, net power: correction for the air. From memory."),
    "iso2533": "ISO 2533:1975, Standard Atmosphere. From memory.",
    "iapws1992": ("IAPWS SR1-86(1992), Saturation properties of ordinary water substance. From memory."),
    "iapws1995": "IAPWS R6-95, Properties of ordinary water substance, with R12-08 and R15-11.",
    "melinder2010": (
        "A. Melinder, Properties of Secondary Working Fluids for Indirect Systems, IIR, 2010: "
        "ethylene glycol and water."
    ),
    "dippr_glycol": (
        "Antoine constants of ethylene glycol, 50 to 200 degC, as tabulated in chemical "
        "engineering handbooks. From memory."
    ),
    "gri30": "G. P. Smith et al., GRI-Mech 3.0, 1999: seven-coefficient NASA polynomials.",
    "crane410": "Crane Co., Flow of Fluids, Technical Paper 410. From memory.",
    "sae_j1832": "SAE J1832, Low Pressure Gasoline Fuel Injector. From memory.",
    "fuel_tables": ("Density, heating value and composition of motor fuels as in engine handbooks. From memory."),
    "zabetakis1965": (
        "M. G. Zabetakis, Flammability Characteristics of Combustible Gases and Vapors, US Bureau of Mines Bulletin 627, "
        "1965: limits and flash points. From memory."
    ),
    "maples2000": (
        "R. E. Maples, Petroleum Refinery Process Economics, 2nd ed., PennWell, 2000: viscosity blending indices. From "
        "memory."
    ),
    "hi98": "ANSI/HI 9.8, Rotodynamic pumps for pump intake design: submergence of inlets. From memory.",
    "oil_tables": "Viscosity and density of typical engine oils as in oil makers' tables. From memory.",
    "astm_d341": "ASTM D341, Viscosity-temperature relation of liquid petroleum products. From memory.",
    "gough1953": "V. E. Gough, Practical tyre research, SAE Trans. 64 (1956), from a paper of 1953: torque to turn a standing wheel. From memory.",
    "gillespie1992": ("T. D. Gillespie, Fundamentals of Vehicle Dynamics, SAE, 1992: road loads. From memory."),
    "scherer2010": (
        "P. O. J. Scherer, Computational Physics, Springer, 2010: Chandrupatla's root search. From memory."
    ),
    "schmelz1992": (
        "H.-Ch. Seherr-Thoss, F. Schmelz, E. Aucktor, Universal Joints and Driveshafts, Springer, 1992: joints in series. "
        "From memory."
    ),
    "thomson1993": (
        "W. T. Thomson, Theory of Vibration with Applications, 4th ed., Prentice Hall, 1993: systems of several degrees of "
        "freedom, transmissibility. From memory."
    ),
    "shigley2004": (
        "J. E. Shigley, C. R. Mischke, R. G. Budynas, Mechanical Engineering Design, 7th ed., McGraw-Hill, 2004: bending, "
        "torsion, bolted joints. From memory."
    ),
    "timoshenko1959": (
        "S. Timoshenko, S. Woinowsky-Krieger, Theory of Plates and Shells, 2nd ed., McGraw-Hill, 1959: ring plates. From "
        "memory."
    ),
    "blodgett1966": ("O. W. Blodgett, Design of Welded Structures, 1966: welds as lines. From memory."),
    "hobbacher2016": (
        "A. F. Hobbacher, Recommendations for Fatigue Design of Welded Joints and Components, IIW, Springer, 2016: classes "
        "at two million cycles, slope 3. From memory."
    ),
    "miner1945": ("M. A. Miner, Cumulative damage in fatigue, J. Appl. Mech. 12 (1945) A159-A164. From memory."),
    "iso898_1": ("ISO 898-1, Mechanical properties of fasteners: bolts: stress areas and proof stress. From memory."),
    "eck1973": "B. Eck, Fans, Pergamon, 1973: fan laws and characteristics. From memory.",
}
